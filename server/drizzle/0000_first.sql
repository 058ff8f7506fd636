CREATE TABLE `attempt` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting_id` text NOT NULL,
	`n` integer NOT NULL,
	`school` text NOT NULL,
	`support` text NOT NULL,
	`expression` text NOT NULL,
	`started_at` text NOT NULL,
	`hints` integer NOT NULL,
	`outcome` text NOT NULL,
	`think_ms` integer NOT NULL,
	`key_ms` integer NOT NULL,
	`total_ms` integer NOT NULL,
	`idle_ms` integer NOT NULL,
	`right` integer NOT NULL,
	`clean` integer NOT NULL,
	`timed` integer NOT NULL,
	FOREIGN KEY (`sitting_id`) REFERENCES `sitting`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `attempt_in_sitting` ON `attempt` (`sitting_id`,`n`);--> statement-breakpoint
CREATE TABLE `coach` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `learner` (
	`id` text PRIMARY KEY NOT NULL,
	`coach_id` text,
	`name` text NOT NULL,
	`time_zone` text NOT NULL,
	`demo` integer NOT NULL,
	FOREIGN KEY (`coach_id`) REFERENCES `coach`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE TABLE `sitting` (
	`id` text PRIMARY KEY NOT NULL,
	`learner_id` text NOT NULL,
	`technique` text NOT NULL,
	`level` integer NOT NULL,
	`planned` integer NOT NULL,
	`started_at` text NOT NULL,
	FOREIGN KEY (`learner_id`) REFERENCES `learner`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `sitting_by_time` ON `sitting` (`learner_id`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `sitting_by_technique` ON `sitting` (`learner_id`,`technique`,`started_at`);--> statement-breakpoint
CREATE TABLE `sitting_pace` (
	`sitting_id` text NOT NULL,
	`support` text NOT NULL,
	`attempts` integer NOT NULL,
	`right` integer NOT NULL,
	`clean` integer NOT NULL,
	`median_ms` integer,
	`best_ms` integer,
	`timed` integer NOT NULL,
	`timed_ms` integer NOT NULL,
	PRIMARY KEY(`sitting_id`, `support`),
	FOREIGN KEY (`sitting_id`) REFERENCES `sitting`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `sitting_slip` (
	`sitting_id` text NOT NULL,
	`slip` text NOT NULL,
	`count` integer NOT NULL,
	PRIMARY KEY(`sitting_id`, `slip`),
	FOREIGN KEY (`sitting_id`) REFERENCES `sitting`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `step_entry` (
	`attempt_id` text NOT NULL,
	`position` integer NOT NULL,
	`step` integer NOT NULL,
	`place` integer NOT NULL,
	`value` text NOT NULL,
	`ms` integer NOT NULL,
	`by` text NOT NULL,
	`right` integer NOT NULL,
	`slip` text,
	`remark` text,
	PRIMARY KEY(`attempt_id`, `position`),
	FOREIGN KEY (`attempt_id`) REFERENCES `attempt`(`id`) ON UPDATE no action ON DELETE cascade
);
