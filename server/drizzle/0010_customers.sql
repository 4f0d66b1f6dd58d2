CREATE TABLE IF NOT EXISTS `customers` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`customer` json NOT NULL,
	CONSTRAINT `customers_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`),
	CONSTRAINT `customers_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`)
);
--> statement-breakpoint
ALTER TABLE `sites` ADD COLUMN IF NOT EXISTS `details` json;
