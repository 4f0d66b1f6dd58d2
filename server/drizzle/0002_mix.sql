CREATE TABLE `batch_boosters` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`batch_id` uuid NOT NULL,
	`position` int NOT NULL,
	`product_id` uuid NOT NULL,
	`strength_spelling` varchar(20),
	`strength_value` double,
	CONSTRAINT `batch_boosters_crew_id_job_id_batch_id_position_pk` PRIMARY KEY(`crew_id`,`job_id`,`batch_id`,`position`)
);
--> statement-breakpoint
CREATE TABLE `gear` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`kind` varchar(20) NOT NULL,
	`name` varchar(120) NOT NULL,
	`item` json NOT NULL,
	CONSTRAINT `gear_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `stock_lots` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`product_id` uuid NOT NULL,
	`lot` varchar(60) NOT NULL,
	`packs` double NOT NULL,
	`pack_size` double NOT NULL,
	`received_on` date NOT NULL,
	CONSTRAINT `stock_lots_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `batches` ADD `tip_id` uuid;--> statement-breakpoint
ALTER TABLE `batches` ADD `carried_m3` double;--> statement-breakpoint
ALTER TABLE `jobs` ADD `wand_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `blower_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `hose_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `hose_bends` int;--> statement-breakpoint
ALTER TABLE `jobs` ADD `solution_tank_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `recovery_tank_id` uuid;--> statement-breakpoint
ALTER TABLE `products` ADD `scoop_kg` double;--> statement-breakpoint
ALTER TABLE `products` ADD `pack_size` double;--> statement-breakpoint
ALTER TABLE `products` ADD `pack_price` double;--> statement-breakpoint
ALTER TABLE `vessels` ADD `kind` varchar(20);--> statement-breakpoint
ALTER TABLE `batch_boosters` ADD CONSTRAINT `boosters_batch` FOREIGN KEY (`crew_id`,`job_id`,`batch_id`) REFERENCES `batches`(`crew_id`,`job_id`,`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batch_boosters` ADD CONSTRAINT `boosters_product` FOREIGN KEY (`crew_id`,`product_id`) REFERENCES `products`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `gear` ADD CONSTRAINT `gear_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `stock_lots` ADD CONSTRAINT `lots_product` FOREIGN KEY (`crew_id`,`product_id`) REFERENCES `products`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;