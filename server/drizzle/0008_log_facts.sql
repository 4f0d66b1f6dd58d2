-- Facts of each log, counted here once from its entries. MariaDB commits each statement that changes a table by itself, so each
-- may be run again.
SET SESSION group_concat_max_len = 67108864;--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `log_facts` (
	`crew_id` uuid NOT NULL,
	`job_id` uuid NOT NULL,
	`entries` int NOT NULL,
	`mark` bigint unsigned NOT NULL,
	`finishes` json NOT NULL,
	CONSTRAINT `log_facts_crew_id_job_id_pk` PRIMARY KEY(`crew_id`,`job_id`),
	CONSTRAINT `log_facts_job` FOREIGN KEY (`crew_id`,`job_id`) REFERENCES `jobs`(`crew_id`,`id`)
);
--> statement-breakpoint
INSERT INTO `log_facts` SELECT `crew_id`, `job_id`, COUNT(*), MAX(`arrival`),
	CONCAT('[', COALESCE(GROUP_CONCAT(IF(`kind` IN ('room-finished', 'correction'), `entry`, NULL) ORDER BY `at`, `arrival`), ''), ']')
	FROM `log_entries` GROUP BY `crew_id`, `job_id`
	ON DUPLICATE KEY UPDATE `entries` = VALUES(`entries`), `mark` = VALUES(`mark`), `finishes` = VALUES(`finishes`);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `log_entries_by_kind` ON `log_entries` (`crew_id`,`job_id`,`kind`);
