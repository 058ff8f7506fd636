CREATE TABLE `learner_settings` (
	`learner_id` text PRIMARY KEY NOT NULL,
	`settings` text NOT NULL,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `level_move` (
	`id` text PRIMARY KEY NOT NULL,
	`learner_id` text NOT NULL,
	`technique` text NOT NULL,
	`from` integer NOT NULL,
	`to` integer NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`because` text NOT NULL,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `move_by_technique` ON `level_move` (`learner_id`,`technique`,`at`);--> statement-breakpoint
CREATE TABLE `practice_day` (
	`learner_id` text NOT NULL,
	`day` text NOT NULL,
	`attempts` integer NOT NULL,
	`right` integer NOT NULL,
	`recalls` integer NOT NULL,
	`ms` integer NOT NULL,
	PRIMARY KEY(`learner_id`, `day`),
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `slip_week` (
	`learner_id` text NOT NULL,
	`week` text NOT NULL,
	`technique` text NOT NULL,
	`slip` text NOT NULL,
	`place` integer NOT NULL,
	`count` integer NOT NULL,
	PRIMARY KEY(`learner_id`, `week`, `technique`, `slip`, `place`),
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `fact_memory` ADD `recalls` integer NOT NULL DEFAULT 0;--> statement-breakpoint
ALTER TABLE `fact_memory` ADD `right` integer NOT NULL DEFAULT 0;--> statement-breakpoint
ALTER TABLE `fact_memory` ADD `median_ms` integer;--> statement-breakpoint
ALTER TABLE `fact_memory` ADD `latest_right` integer NOT NULL DEFAULT 0;--> statement-breakpoint
ALTER TABLE `fact_recall` ADD `think_ms` integer NOT NULL DEFAULT 0;--> statement-breakpoint
CREATE INDEX `recall_by_time` ON `fact_recall` (`learner_id`,`at`);--> statement-breakpoint
UPDATE `fact_recall` SET `think_ms` = `ms`;--> statement-breakpoint
WITH latest AS (
	SELECT learner_id, fact, ms, "right", row_number() OVER (PARTITION BY learner_id, fact ORDER BY at DESC) AS back FROM `fact_recall`
), middle AS (
	SELECT learner_id, fact, ms, row_number() OVER (PARTITION BY learner_id, fact ORDER BY ms) AS n, count(*) OVER (PARTITION BY learner_id, fact) AS of
	FROM latest WHERE back <= 7 AND "right"
)
UPDATE `fact_memory` SET
	`recalls` = (SELECT count(*) FROM latest AS l WHERE l.learner_id = fact_memory.learner_id AND l.fact = fact_memory.fact),
	`right` = (SELECT coalesce(sum(l."right"), 0) FROM latest AS l WHERE l.learner_id = fact_memory.learner_id AND l.fact = fact_memory.fact),
	`latest_right` = NOT EXISTS (SELECT 1 FROM latest AS l WHERE l.learner_id = fact_memory.learner_id AND l.fact = fact_memory.fact AND l.back <= 7 AND NOT l."right"),
	`median_ms` = (SELECT m.ms FROM middle AS m WHERE m.learner_id = fact_memory.learner_id AND m.fact = fact_memory.fact AND m.n = (m.of + 1) / 2);
--> statement-breakpoint
INSERT INTO `practice_day` (learner_id, day, attempts, "right", recalls, ms)
SELECT learner_id, day, sum(attempts), sum("right"), sum(recalls), sum(ms) FROM (
	SELECT s.learner_id, substr(a.started_at, 1, 10) AS day, count(*) AS attempts, sum(a."right") AS "right", 0 AS recalls, sum(CASE WHEN a.timed THEN a.total_ms ELSE 0 END) AS ms
	FROM `attempt` AS a JOIN `sitting` AS s ON s.id = a.sitting_id GROUP BY 1, 2
	UNION ALL
	SELECT learner_id, substr(at, 1, 10), 0, 0, count(*), sum(ms) FROM `fact_recall` GROUP BY 1, 2
) GROUP BY 1, 2;--> statement-breakpoint
INSERT INTO `slip_week` (learner_id, week, technique, slip, place, count)
SELECT s.learner_id, date(substr(a.started_at, 1, 10), '-6 days', 'weekday 1'), s.technique, e.slip, e.place, count(*)
FROM `step_entry` AS e JOIN `attempt` AS a ON a.id = e.attempt_id JOIN `sitting` AS s ON s.id = a.sitting_id
WHERE e.slip IS NOT NULL GROUP BY 1, 2, 3, 4, 5;
