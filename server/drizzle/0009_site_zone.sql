ALTER TABLE `sites` ADD COLUMN IF NOT EXISTS `zone` varchar(64);
