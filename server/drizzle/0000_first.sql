CREATE TABLE `batches` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`position` int NOT NULL,
	`product_id` uuid NOT NULL,
	`vessel_id` uuid NOT NULL,
	`measure_m3` double NOT NULL,
	`strength_spelling` varchar(20),
	`strength_value` double,
	CONSTRAINT `batches_crew_id_job_id_id_pk` PRIMARY KEY(`crew_id`,`job_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `crews` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `crews_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `jobs` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`version` int NOT NULL,
	`site_id` uuid NOT NULL,
	`title` varchar(120) NOT NULL,
	`day` date NOT NULL,
	`starts_at` char(5) NOT NULL,
	`indoor_temperature_c` double,
	`indoor_relative_humidity` double,
	`outdoor_temperature_c` double,
	`outdoor_relative_humidity` double,
	CONSTRAINT `jobs_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `log_entries` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`arrival` bigint unsigned AUTO_INCREMENT NOT NULL,
	`at` datetime(3) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`room_id` uuid,
	`entry` json NOT NULL,
	`received_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `log_entries_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`),
	CONSTRAINT `log_entries_arrival` UNIQUE(`arrival`)
);
--> statement-breakpoint
CREATE TABLE `products` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`ratio_means` varchar(12) NOT NULL,
	`light_spelling` varchar(20) NOT NULL,
	`light_value` double NOT NULL,
	`ordinary_spelling` varchar(20) NOT NULL,
	`ordinary_value` double NOT NULL,
	`heavy_spelling` varchar(20) NOT NULL,
	`heavy_value` double NOT NULL,
	`dwell_least_s` double NOT NULL,
	`dwell_most_s` double NOT NULL,
	`pot_life_s` double,
	`water_temperature_c` double,
	`cautions` json NOT NULL,
	CONSTRAINT `products_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `room_air_movers` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`room_id` uuid NOT NULL,
	`position` int NOT NULL,
	`flow_m3_per_s` double NOT NULL,
	`jet_speed_m_per_s` double NOT NULL,
	CONSTRAINT `room_air_movers_crew_id_job_id_room_id_position_pk` PRIMARY KEY(`crew_id`,`job_id`,`room_id`,`position`)
);
--> statement-breakpoint
CREATE TABLE `rooms` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`position` int NOT NULL,
	`name` varchar(120) NOT NULL,
	`shape` varchar(12) NOT NULL,
	`length_m` double,
	`width_m` double,
	`wing_length_m` double,
	`wing_width_m` double,
	`area_m2` double,
	`height_m` double,
	`covering` varchar(20),
	`fibre` varchar(20),
	`pile_height_m` double,
	`face_weight_kg_per_m2` double,
	`soil` int,
	`method` varchar(20),
	`pad_after` boolean,
	`batch_id` uuid,
	`air_temperature_c` double,
	`air_relative_humidity` double,
	`windows` varchar(20),
	`air_speed_m_per_s` double,
	`dehumidifier_l_per_day` double,
	CONSTRAINT `rooms_crew_id_job_id_id_pk` PRIMARY KEY(`crew_id`,`job_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `sites` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`address` varchar(300),
	`elevation_m` double,
	CONSTRAINT `sites_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `vessels` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`nominal_m3` double NOT NULL,
	`heel_m3` double NOT NULL,
	`head_space_m3` double NOT NULL,
	`graduation_m3` double NOT NULL,
	`spray_flow_m3_per_s` double NOT NULL,
	CONSTRAINT `vessels_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_job` FOREIGN KEY (`crew_id`,`job_id`) REFERENCES `jobs`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_product` FOREIGN KEY (`crew_id`,`product_id`) REFERENCES `products`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_vessel` FOREIGN KEY (`crew_id`,`vessel_id`) REFERENCES `vessels`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `jobs` ADD CONSTRAINT `jobs_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `jobs` ADD CONSTRAINT `jobs_site` FOREIGN KEY (`crew_id`,`site_id`) REFERENCES `sites`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `log_entries` ADD CONSTRAINT `log_entries_job` FOREIGN KEY (`crew_id`,`job_id`) REFERENCES `jobs`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `products` ADD CONSTRAINT `products_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `room_air_movers` ADD CONSTRAINT `air_movers_room` FOREIGN KEY (`crew_id`,`job_id`,`room_id`) REFERENCES `rooms`(`crew_id`,`job_id`,`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `rooms` ADD CONSTRAINT `rooms_job` FOREIGN KEY (`crew_id`,`job_id`) REFERENCES `jobs`(`crew_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `rooms` ADD CONSTRAINT `rooms_batch` FOREIGN KEY (`crew_id`,`job_id`,`batch_id`) REFERENCES `batches`(`crew_id`,`job_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sites` ADD CONSTRAINT `sites_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `vessels` ADD CONSTRAINT `vessels_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `jobs_by_day` ON `jobs` (`crew_id`,`day`,`id`);--> statement-breakpoint
CREATE INDEX `log_entries_by_job` ON `log_entries` (`crew_id`,`job_id`,`at`,`arrival`);