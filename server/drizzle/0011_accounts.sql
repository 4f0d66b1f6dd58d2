CREATE TABLE IF NOT EXISTS `users` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`email` varchar(190) NOT NULL,
	`email_verified` boolean NOT NULL DEFAULT false,
	`image` varchar(255),
	`created_at` datetime(3) NOT NULL DEFAULT (now(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `users_id` PRIMARY KEY(`id`),
	CONSTRAINT `users_email_unique` UNIQUE(`email`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `accounts` (
	`id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`account_id` varchar(190) NOT NULL,
	`provider_id` varchar(60) NOT NULL,
	`password` text,
	`access_token` text,
	`refresh_token` text,
	`id_token` text,
	`access_token_expires_at` datetime(3),
	`refresh_token_expires_at` datetime(3),
	`scope` text,
	`created_at` datetime(3) NOT NULL DEFAULT (now(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `accounts_id` PRIMARY KEY(`id`),
	CONSTRAINT `accounts_user_id_users_id_fk` FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON DELETE cascade,
	INDEX `accounts_by_user` (`user_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `audit_lines` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`crew_id` uuid,
	`at` datetime(3) NOT NULL DEFAULT (now(3)),
	`what` varchar(30) NOT NULL,
	`by_name` varchar(120),
	`about` varchar(190),
	`role` varchar(20),
	`address` varchar(64),
	CONSTRAINT `audit_lines_id` PRIMARY KEY(`id`),
	INDEX `audit_by_crew` (`crew_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `invites` (
	`crew_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`code_hash` varchar(64) NOT NULL,
	`role` varchar(20) NOT NULL,
	`email` varchar(190),
	`invited_by` varchar(120) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	`created_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `invites_crew_id_id_pk` PRIMARY KEY(`crew_id`,`id`),
	CONSTRAINT `invites_by_code` UNIQUE(`code_hash`),
	CONSTRAINT `invites_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `members` (
	`crew_id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`role` varchar(20) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `members_crew_id_user_id_pk` PRIMARY KEY(`crew_id`,`user_id`),
	CONSTRAINT `members_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`),
	CONSTRAINT `members_user_id_users_id_fk` FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON DELETE cascade,
	INDEX `members_by_user` (`user_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `passkeys` (
	`id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`name` varchar(120),
	`public_key` text NOT NULL,
	`credential_id` varchar(512) NOT NULL,
	`counter` int NOT NULL,
	`device_type` varchar(32) NOT NULL,
	`backed_up` boolean NOT NULL,
	`transports` varchar(255),
	`aaguid` varchar(64),
	`created_at` datetime(3),
	CONSTRAINT `passkeys_id` PRIMARY KEY(`id`),
	CONSTRAINT `passkeys_user_id_users_id_fk` FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON DELETE cascade,
	INDEX `passkeys_by_user` (`user_id`),
	INDEX `passkeys_by_credential` (`credential_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `auth_rate_limits` (
	`id` uuid NOT NULL,
	`key` varchar(190) NOT NULL,
	`count` int NOT NULL,
	`last_request` bigint NOT NULL,
	CONSTRAINT `auth_rate_limits_id` PRIMARY KEY(`id`),
	CONSTRAINT `auth_rate_limits_key_unique` UNIQUE(`key`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `sessions` (
	`id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`token` varchar(64) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`ip_address` varchar(64),
	`user_agent` varchar(512),
	`created_at` datetime(3) NOT NULL DEFAULT (now(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `sessions_id` PRIMARY KEY(`id`),
	CONSTRAINT `sessions_token_unique` UNIQUE(`token`),
	CONSTRAINT `sessions_user_id_users_id_fk` FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON DELETE cascade,
	INDEX `sessions_by_user` (`user_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `tries` (
	`key` varchar(255) NOT NULL,
	`points` int NOT NULL DEFAULT 0,
	`expire` bigint unsigned,
	CONSTRAINT `tries_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `verifications` (
	`id` uuid NOT NULL,
	`identifier` varchar(190) NOT NULL,
	`value` text NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (now(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (now(3)),
	CONSTRAINT `verifications_id` PRIMARY KEY(`id`),
	INDEX `verifications_by_identifier` (`identifier`)
);
--> statement-breakpoint
ALTER TABLE `crews` ADD COLUMN IF NOT EXISTS `is_demo` boolean DEFAULT false NOT NULL;
--> statement-breakpoint
ALTER TABLE `log_entries` ADD COLUMN IF NOT EXISTS `person_id` uuid;
--> statement-breakpoint
UPDATE `crews` SET `is_demo` = true WHERE `id` = '01930000-0000-7000-8000-000000000001';
