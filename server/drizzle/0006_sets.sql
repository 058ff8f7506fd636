CREATE TABLE `session` (
	`id` text PRIMARY KEY NOT NULL,
	`learner_id` text NOT NULL,
	`started_at` text NOT NULL,
	`recipe` text NOT NULL,
	`seed` integer NOT NULL,
	`generator` integer NOT NULL,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `session_by_time` ON `session` (`learner_id`,`started_at`,`id`);--> statement-breakpoint
CREATE TABLE `session_pace` (
	`session_id` text NOT NULL,
	`technique` text NOT NULL,
	`level` integer NOT NULL,
	`support` text NOT NULL,
	`learner_id` text NOT NULL,
	`started_at` text NOT NULL,
	`attempts` integer NOT NULL,
	`right` integer NOT NULL,
	`clean` integer NOT NULL,
	`median_ms` integer,
	`best_ms` integer,
	`timed` integer NOT NULL,
	`timed_ms` integer NOT NULL,
	PRIMARY KEY(`session_id`, `technique`, `level`, `support`),
	FOREIGN KEY (`session_id`) REFERENCES `session`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `pace_by_technique` ON `session_pace` (`learner_id`,`technique`,`started_at`);--> statement-breakpoint
CREATE TABLE `session_slip` (
	`session_id` text NOT NULL,
	`slip` text NOT NULL,
	`count` integer NOT NULL,
	PRIMARY KEY(`session_id`, `slip`),
	FOREIGN KEY (`session_id`) REFERENCES `session`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
-- What was a sitting is a set now: its list is put together from its attempts by the program (see listSets).
INSERT INTO `session` SELECT `id`, `learner_id`, `started_at`, '{"older":1}', 0, 0 FROM `sitting`;--> statement-breakpoint
INSERT INTO `session_pace` SELECT p.`sitting_id`, s.`technique`, s.`level`, p.`support`, s.`learner_id`, s.`started_at`, p.`attempts`, p.`right`, p.`clean`, p.`median_ms`, p.`best_ms`, p.`timed`, p.`timed_ms` FROM `sitting_pace` p JOIN `sitting` s ON s.`id` = p.`sitting_id`;--> statement-breakpoint
INSERT INTO `session_slip` SELECT `sitting_id`, `slip`, `count` FROM `sitting_slip`;--> statement-breakpoint
CREATE TABLE `__new_attempt` (
	`id` text PRIMARY KEY NOT NULL,
	`session_id` text NOT NULL,
	`learner_id` text NOT NULL,
	`n` integer NOT NULL,
	`technique` text NOT NULL,
	`level` integer NOT NULL,
	`variant` text NOT NULL,
	`support` text NOT NULL,
	`expression` text NOT NULL,
	`started_at` text NOT NULL,
	`hints` integer NOT NULL,
	`outcome` text NOT NULL,
	`think_ms` integer NOT NULL,
	`key_ms` integer NOT NULL,
	`total_ms` integer NOT NULL,
	`idle_ms` integer NOT NULL,
	`shown` text,
	`right` integer NOT NULL,
	`clean` integer NOT NULL,
	`timed` integer NOT NULL,
	`judge` integer DEFAULT 1 NOT NULL,
	`events` text DEFAULT '[]' NOT NULL,
	`entries` text DEFAULT '[]' NOT NULL,
	`arrival` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`session_id`) REFERENCES `session`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_attempt`("id", "session_id", "learner_id", "n", "technique", "level", "variant", "support", "expression", "started_at", "hints", "outcome", "think_ms", "key_ms", "total_ms", "idle_ms", "shown", "right", "clean", "timed", "judge", "events", "entries", "arrival") SELECT a."id", a."sitting_id", s."learner_id", a."n", s."technique", s."level", a."school", a."support", a."expression", a."started_at", a."hints", a."outcome", a."think_ms", a."key_ms", a."total_ms", a."idle_ms", a."shown", a."right", a."clean", a."timed", a."judge", a."events", a."entries", a."arrival" FROM `attempt` a JOIN `sitting` s ON s."id" = a."sitting_id" ORDER BY a."arrival";--> statement-breakpoint
DROP TABLE `attempt`;--> statement-breakpoint
ALTER TABLE `__new_attempt` RENAME TO `attempt`;--> statement-breakpoint
DROP TABLE `sitting_pace`;--> statement-breakpoint
DROP TABLE `sitting_slip`;--> statement-breakpoint
DROP TABLE `sitting`;--> statement-breakpoint
CREATE INDEX `attempt_in_session` ON `attempt` (`session_id`,`n`);--> statement-breakpoint
CREATE INDEX `attempt_by_technique` ON `attempt` (`learner_id`,`technique`,`started_at`);--> statement-breakpoint
CREATE INDEX `attempt_by_arrival` ON `attempt` (`arrival`);--> statement-breakpoint
CREATE TABLE `__new_learner` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`time_zone` text NOT NULL,
	`demo` integer NOT NULL
);
--> statement-breakpoint
INSERT INTO `__new_learner`("id", "name", "time_zone", "demo") SELECT "id", "name", "time_zone", "demo" FROM `learner`;--> statement-breakpoint
DROP TABLE `learner`;--> statement-breakpoint
ALTER TABLE `__new_learner` RENAME TO `learner`;--> statement-breakpoint
DROP TABLE `coach`;--> statement-breakpoint
ALTER TABLE `fact_recall` ADD `session_id` text REFERENCES session(id) ON DELETE cascade;--> statement-breakpoint
ALTER TABLE `fact_recall` ADD `n` integer;--> statement-breakpoint
CREATE TABLE `__new_level_move` (
	`id` text PRIMARY KEY NOT NULL,
	`learner_id` text NOT NULL,
	`technique` text NOT NULL,
	`from` integer NOT NULL,
	`to` integer NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`reason` text NOT NULL,
	`arrival` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
-- The numbers are read from the sentences by the program (see nameReasons).
INSERT INTO `__new_level_move` SELECT `id`, `learner_id`, `technique`, `from`, `to`, `at`, `by`, json_object('id', `by`, 'older', `because`), `arrival` FROM `level_move` ORDER BY rowid;--> statement-breakpoint
DROP TABLE `level_move`;--> statement-breakpoint
ALTER TABLE `__new_level_move` RENAME TO `level_move`;--> statement-breakpoint
CREATE INDEX `move_by_technique` ON `level_move` (`learner_id`,`technique`,`at`);--> statement-breakpoint
UPDATE `learner_settings` SET `settings` = json_set(json_remove(`settings`, '$.schools'), '$.variants', json_extract(`settings`, '$.schools')) WHERE json_extract(`settings`, '$.schools') IS NOT NULL;
