CREATE TABLE `board_plan` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`parts` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `room_count` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`technique` text NOT NULL,
	`level` integer NOT NULL,
	`expression` text NOT NULL,
	`right` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `count_by_time` ON `room_count` (`at`);