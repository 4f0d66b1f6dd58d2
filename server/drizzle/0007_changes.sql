CREATE TABLE `change_counters` (
	`crew_id` uuid NOT NULL,
	`seq` bigint unsigned NOT NULL,
	CONSTRAINT `change_counters_crew_id` PRIMARY KEY(`crew_id`)
);
--> statement-breakpoint
CREATE TABLE `changes` (
	`crew_id` uuid NOT NULL,
	`topic` varchar(48) NOT NULL,
	`seq` bigint unsigned NOT NULL,
	CONSTRAINT `changes_crew_id_topic_pk` PRIMARY KEY(`crew_id`,`topic`)
);
--> statement-breakpoint
CREATE INDEX `changes_by_seq` ON `changes` (`crew_id`,`seq`);