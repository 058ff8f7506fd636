CREATE TABLE `level_rules` (
	`learner_id` text NOT NULL,
	`arrival` integer NOT NULL,
	`rules` text NOT NULL,
	`targets` text NOT NULL,
	PRIMARY KEY(`learner_id`, `arrival`),
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `step_entry` RENAME TO `older_entry`;--> statement-breakpoint
ALTER TABLE `attempt` ADD `judge` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `attempt` ADD `events` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `attempt` ADD `entries` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `attempt` ADD `arrival` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `attempt_by_arrival` ON `attempt` (`arrival`);--> statement-breakpoint
ALTER TABLE `fact_recall` ADD `entry` text;--> statement-breakpoint
ALTER TABLE `fact_recall` ADD `judge` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `level_move` ADD `arrival` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `attempt` SET `arrival` = rowid;
