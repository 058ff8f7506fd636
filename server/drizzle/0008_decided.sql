DROP TABLE `level_rules`;--> statement-breakpoint
DROP INDEX `attempt_by_arrival`;--> statement-breakpoint
ALTER TABLE `attempt` DROP COLUMN `arrival`;--> statement-breakpoint
ALTER TABLE `level_move` DROP COLUMN `arrival`;