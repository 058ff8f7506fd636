CREATE TABLE `__new_level_rules` (
	`learner_id` text NOT NULL,
	`arrival` integer NOT NULL,
	`rules` text NOT NULL,
	`targets` text NOT NULL,
	`extra_time` real DEFAULT 1,
	PRIMARY KEY(`learner_id`, `arrival`),
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_level_rules`("learner_id", "arrival", "rules", "targets", "extra_time") SELECT "learner_id", "arrival", "rules", "targets", "extra_time" FROM `level_rules`;--> statement-breakpoint
DROP TABLE `level_rules`;--> statement-breakpoint
ALTER TABLE `__new_level_rules` RENAME TO `level_rules`;
