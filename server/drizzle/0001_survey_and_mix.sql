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
CREATE TABLE `doors` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`position` int NOT NULL,
	`from_room_id` uuid NOT NULL,
	`to_room_id` uuid,
	`wall` varchar(8),
	`offset_m` double,
	`shut` boolean,
	CONSTRAINT `doors_crew_id_job_id_id_pk` PRIMARY KEY(`crew_id`,`job_id`,`id`)
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
CREATE TABLE `photos` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`room_id` uuid,
	`spot_id` uuid,
	`moment` varchar(12) NOT NULL,
	`taken_at` datetime(3) NOT NULL,
	`taken_by` varchar(60),
	`width_px` int NOT NULL,
	`height_px` int NOT NULL,
	CONSTRAINT `photos_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `room_parts` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`room_id` uuid NOT NULL,
	`position` int NOT NULL,
	`kind` varchar(12) NOT NULL,
	`width_m` double NOT NULL,
	`depth_m` double NOT NULL,
	`wall` varchar(8),
	`offset_m` double,
	CONSTRAINT `room_parts_crew_id_job_id_room_id_position_pk` PRIMARY KEY(`crew_id`,`job_id`,`room_id`,`position`)
);
--> statement-breakpoint
CREATE TABLE `spots` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`position` int NOT NULL,
	`room_id` uuid NOT NULL,
	`x_share` double NOT NULL,
	`y_share` double NOT NULL,
	`across_m` double NOT NULL,
	`origin` varchar(20) NOT NULL,
	`known` varchar(12) NOT NULL,
	`nature` varchar(12) NOT NULL,
	`age` varchar(12) NOT NULL,
	`uv` varchar(12),
	CONSTRAINT `spots_crew_id_job_id_id_pk` PRIMARY KEY(`crew_id`,`job_id`,`id`)
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
ALTER TABLE `jobs` ADD `last_cleaned` varchar(24);--> statement-breakpoint
ALTER TABLE `jobs` ADD `detergent_left` boolean;--> statement-breakpoint
ALTER TABLE `jobs` ADD `pets` boolean;--> statement-breakpoint
ALTER TABLE `jobs` ADD `urine` boolean;--> statement-breakpoint
ALTER TABLE `jobs` ADD `occupancy` varchar(12);--> statement-breakpoint
ALTER TABLE `jobs` ADD `wand_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `blower_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `hose_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `hose_bends` int;--> statement-breakpoint
ALTER TABLE `jobs` ADD `wet_strokes` int;--> statement-breakpoint
ALTER TABLE `jobs` ADD `dry_strokes` int;--> statement-breakpoint
ALTER TABLE `jobs` ADD `stroke_speed_m_per_s` double;--> statement-breakpoint
ALTER TABLE `jobs` ADD `solution_tank_id` uuid;--> statement-breakpoint
ALTER TABLE `jobs` ADD `recovery_tank_id` uuid;--> statement-breakpoint
ALTER TABLE `products` ADD `scoop_kg` double;--> statement-breakpoint
ALTER TABLE `products` ADD `pack_size` double;--> statement-breakpoint
ALTER TABLE `products` ADD `pack_price` double;--> statement-breakpoint
ALTER TABLE `products` ADD `ph_in_use` double;--> statement-breakpoint
ALTER TABLE `products` ADD `ph_concentrate` double;--> statement-breakpoint
ALTER TABLE `products` ADD `chemistry` json;--> statement-breakpoint
ALTER TABLE `products` ADD `label_allows` json;--> statement-breakpoint
ALTER TABLE `products` ADD `label_forbids` json;--> statement-breakpoint
ALTER TABLE `rooms` ADD `right_wing_length_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `right_wing_width_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `steps` int;--> statement-breakpoint
ALTER TABLE `rooms` ADD `tread_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `riser_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `winders` int;--> statement-breakpoint
ALTER TABLE `rooms` ADD `runner_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `lane_share` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `lane_width_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `lane_length_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `edge_share` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `edge_width_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `edge_length_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `level` int;--> statement-breakpoint
ALTER TABLE `rooms` ADD `passage` boolean;--> statement-breakpoint
ALTER TABLE `rooms` ADD `turned` boolean;--> statement-breakpoint
ALTER TABLE `rooms` ADD `nudge_x_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `nudge_y_m` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `identified_by` varchar(20);--> statement-breakpoint
ALTER TABLE `rooms` ADD `backing` varchar(20);--> statement-breakpoint
ALTER TABLE `rooms` ADD `age_years` double;--> statement-breakpoint
ALTER TABLE `rooms` ADD `soil_nature` varchar(12);--> statement-breakpoint
ALTER TABLE `rooms` ADD `wear` varchar(12);--> statement-breakpoint
ALTER TABLE `rooms` ADD `rate_m3_per_m2` double;--> statement-breakpoint
ALTER TABLE `vessels` ADD `kind` varchar(20);--> statement-breakpoint
ALTER TABLE `batch_boosters` ADD CONSTRAINT `boosters_batch` FOREIGN KEY (`crew_id`,`job_id`,`batch_id`) REFERENCES `batches`(`crew_id`,`job_id`,`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batch_boosters` ADD CONSTRAINT `boosters_product` FOREIGN KEY (`crew_id`,`product_id`) REFERENCES `products`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `doors` ADD CONSTRAINT `doors_from` FOREIGN KEY (`crew_id`,`job_id`,`from_room_id`) REFERENCES `rooms`(`crew_id`,`job_id`,`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `doors` ADD CONSTRAINT `doors_to` FOREIGN KEY (`crew_id`,`job_id`,`to_room_id`) REFERENCES `rooms`(`crew_id`,`job_id`,`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `gear` ADD CONSTRAINT `gear_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `photos` ADD CONSTRAINT `photos_job` FOREIGN KEY (`crew_id`,`job_id`) REFERENCES `jobs`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `room_parts` ADD CONSTRAINT `parts_room` FOREIGN KEY (`crew_id`,`job_id`,`room_id`) REFERENCES `rooms`(`crew_id`,`job_id`,`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `spots` ADD CONSTRAINT `spots_room` FOREIGN KEY (`crew_id`,`job_id`,`room_id`) REFERENCES `rooms`(`crew_id`,`job_id`,`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `stock_lots` ADD CONSTRAINT `lots_product` FOREIGN KEY (`crew_id`,`product_id`) REFERENCES `products`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `photos_by_job` ON `photos` (`crew_id`,`job_id`,`taken_at`);