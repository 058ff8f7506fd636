ALTER TABLE `learner` ADD `removed_at` text;--> statement-breakpoint
ALTER TABLE `level_rules` ADD `extra_time` real DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `session_pace` ADD `timed_right` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `session_pace` SET `timed_right` = (SELECT count(*) FROM `attempt` a WHERE a.`session_id` = `session_pace`.`session_id` AND a.`technique` = `session_pace`.`technique` AND a.`level` = `session_pace`.`level` AND a.`support` = `session_pace`.`support` AND a.`outcome` = 'done' AND a.`timed` AND a.`right`);
