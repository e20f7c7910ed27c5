ALTER TABLE `build_history` ADD `packed` blob;--> statement-breakpoint
ALTER TABLE `build_history` ADD `name` text;--> statement-breakpoint
ALTER TABLE `builds` ADD `deleted_at` integer;--> statement-breakpoint
CREATE INDEX `builds_by_change` ON `builds` (`deleted_at`,`updated_at`);--> statement-breakpoint
ALTER TABLE `parts` ADD `deleted_at` integer;