ALTER TABLE `photos` MODIFY COLUMN `taken_by` varchar(120);--> statement-breakpoint
ALTER TABLE `crews` ADD COLUMN IF NOT EXISTS `closes_at` datetime(3);--> statement-breakpoint
ALTER TABLE `photos` ADD COLUMN IF NOT EXISTS `imported_by` varchar(120);--> statement-breakpoint
ALTER TABLE `photos` ADD COLUMN IF NOT EXISTS `bytes` int;