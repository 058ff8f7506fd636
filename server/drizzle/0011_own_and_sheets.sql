CREATE TABLE `own_set` (
	`id` text PRIMARY KEY NOT NULL,
	`learner_id` text NOT NULL,
	`name` text NOT NULL,
	`technique` text,
	`problems` text NOT NULL,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `own_by_learner` ON `own_set` (`learner_id`);--> statement-breakpoint
CREATE TABLE `sheet` (
	`code` text PRIMARY KEY NOT NULL,
	`batch` text NOT NULL,
	`copy` integer NOT NULL,
	`copies` integer NOT NULL,
	`title` text NOT NULL,
	`made_at` text NOT NULL,
	`layout` text NOT NULL,
	`list` text NOT NULL,
	`marks` text
);
--> statement-breakpoint
CREATE INDEX `sheet_by_time` ON `sheet` (`made_at`);--> statement-breakpoint
CREATE INDEX `sheet_in_batch` ON `sheet` (`batch`,`copy`);--> statement-breakpoint
CREATE INDEX `session_trials` ON `session` (`learner_id`,`started_at`) WHERE json_extract(recipe, '$.trial') is not null;--> statement-breakpoint
CREATE INDEX `session_sheets` ON `session` (`started_at`) WHERE json_extract(recipe, '$.sheet') is not null;