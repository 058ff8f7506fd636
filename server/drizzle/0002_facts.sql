CREATE TABLE `fact_memory` (
	`learner_id` text NOT NULL,
	`fact` text NOT NULL,
	`due` text NOT NULL,
	`card` text NOT NULL,
	PRIMARY KEY(`learner_id`, `fact`),
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `memory_by_due` ON `fact_memory` (`learner_id`,`due`);--> statement-breakpoint
CREATE TABLE `fact_recall` (
	`id` text PRIMARY KEY NOT NULL,
	`learner_id` text NOT NULL,
	`fact` text NOT NULL,
	`right` integer NOT NULL,
	`ms` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `recall_of_fact` ON `fact_recall` (`learner_id`,`fact`,`at`);