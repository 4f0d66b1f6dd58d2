-- A plan becomes the document it is: put together here from its tables, which 0003 drops. MariaDB commits each statement
-- that changes a table by itself, so each may be run again.
SET SESSION group_concat_max_len = 67108864;--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `stock_use` (
	`crew_id` uuid NOT NULL,
	`product_id` uuid NOT NULL,
	`lot` varchar(60) collate utf8mb4_nopad_bin NOT NULL,
	`amount` decimal(30,15) NOT NULL,
	CONSTRAINT `stock_use_crew_id_product_id_lot_pk` PRIMARY KEY(`crew_id`,`product_id`,`lot`),
	CONSTRAINT `stock_use_crew_id_crews_id_fk` FOREIGN KEY (`crew_id`) REFERENCES `crews`(`id`)
);
--> statement-breakpoint
ALTER TABLE `crews` ADD COLUMN IF NOT EXISTS `settings` json;--> statement-breakpoint
ALTER TABLE `jobs` ADD COLUMN IF NOT EXISTS `plan` json;--> statement-breakpoint
ALTER TABLE `jobs` ADD COLUMN IF NOT EXISTS `saves` json;--> statement-breakpoint
ALTER TABLE `log_entries` ADD COLUMN IF NOT EXISTS `corrects` uuid;--> statement-breakpoint
ALTER TABLE `photos` ADD COLUMN IF NOT EXISTS `sha256` char(64);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `log_entries_by_corrected` ON `log_entries` (`crew_id`,`corrects`);--> statement-breakpoint
DROP INDEX IF EXISTS `jobs_by_day` ON `jobs`;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `jobs_by_day` ON `jobs` (`crew_id`,`day`,`starts_at`,`id`);--> statement-breakpoint
-- What was NULL wasn't said: merging a patch leaves out every key whose value is null.
UPDATE `jobs` j SET j.`plan` = JSON_MERGE_PATCH('{}', JSON_OBJECT(
	'id', j.`id`,
	'siteId', j.`site_id`,
	'title', j.`title`,
	'day', CAST(j.`day` AS CHAR),
	'startsAt', j.`starts_at`,
	'indoor', JSON_COMPACT(NULLIF(JSON_MERGE_PATCH('{}', JSON_OBJECT('temperature', j.`indoor_temperature_c`, 'relativeHumidity', j.`indoor_relative_humidity`)), '{}')),
	'outdoor', JSON_COMPACT(NULLIF(JSON_MERGE_PATCH('{}', JSON_OBJECT('temperature', j.`outdoor_temperature_c`, 'relativeHumidity', j.`outdoor_relative_humidity`)), '{}')),
	'interview', JSON_COMPACT(NULLIF(JSON_MERGE_PATCH('{}', JSON_OBJECT(
		'lastCleaned', j.`last_cleaned`,
		'detergentLeft', JSON_COMPACT(ELT(j.`detergent_left` + 1, 'false', 'true')),
		'pets', JSON_COMPACT(ELT(j.`pets` + 1, 'false', 'true')),
		'urine', JSON_COMPACT(ELT(j.`urine` + 1, 'false', 'true')),
		'occupancy', j.`occupancy`
	)), '{}')),
	'rig', JSON_COMPACT(NULLIF(JSON_MERGE_PATCH('{}', JSON_OBJECT(
		'wandId', j.`wand_id`,
		'blowerId', j.`blower_id`,
		'hoseId', j.`hose_id`,
		'bends', j.`hose_bends`,
		'wetStrokes', j.`wet_strokes`,
		'dryStrokes', j.`dry_strokes`,
		'strokeSpeed', j.`stroke_speed_m_per_s`,
		'solutionId', j.`solution_tank_id`,
		'recoveryId', j.`recovery_tank_id`
	)), '{}')),
	'rooms', JSON_COMPACT(COALESCE((SELECT CONCAT('[', GROUP_CONCAT(JSON_MERGE_PATCH('{}', JSON_OBJECT(
		'id', r.`id`,
		'name', r.`name`,
		'shape', JSON_COMPACT(CASE r.`shape`
			WHEN 'rectangle' THEN JSON_OBJECT('kind', r.`shape`, 'length', r.`length_m`, 'width', r.`width_m`)
			WHEN 'l-shape' THEN JSON_OBJECT('kind', r.`shape`, 'main', JSON_OBJECT('length', r.`length_m`, 'width', r.`width_m`), 'wing', JSON_OBJECT('length', r.`wing_length_m`, 'width', r.`wing_width_m`))
			WHEN 'u-shape' THEN JSON_OBJECT('kind', r.`shape`, 'main', JSON_OBJECT('length', r.`length_m`, 'width', r.`width_m`), 'left', JSON_OBJECT('length', r.`wing_length_m`, 'width', r.`wing_width_m`), 'right', JSON_OBJECT('length', r.`right_wing_length_m`, 'width', r.`right_wing_width_m`))
			WHEN 'area' THEN JSON_OBJECT('kind', r.`shape`, 'area', r.`area_m2`)
			ELSE JSON_OBJECT('kind', r.`shape`, 'steps', r.`steps`, 'tread', r.`tread_m`, 'riser', r.`riser_m`, 'width', r.`width_m`, 'winders', r.`winders`, 'runner', r.`runner_m`)
		END),
		'parts', JSON_COMPACT((SELECT CONCAT('[', GROUP_CONCAT(JSON_MERGE_PATCH('{}', JSON_OBJECT('kind', p.`kind`, 'width', p.`width_m`, 'depth', p.`depth_m`, 'wall', p.`wall`, 'offset', p.`offset_m`)) ORDER BY p.`position` SEPARATOR ','), ']') FROM `room_parts` p WHERE p.`crew_id` = r.`crew_id` AND p.`job_id` = r.`job_id` AND p.`room_id` = r.`id`)),
		'zones', JSON_COMPACT(NULLIF(JSON_MERGE_PATCH('{}', JSON_OBJECT(
			'lane', JSON_COMPACT(IF(r.`lane_share` IS NOT NULL, JSON_OBJECT('kind', 'share', 'share', r.`lane_share`), IF(r.`lane_width_m` IS NOT NULL, JSON_OBJECT('kind', 'strip', 'width', r.`lane_width_m`, 'length', r.`lane_length_m`), NULL))),
			'edge', JSON_COMPACT(IF(r.`edge_share` IS NOT NULL, JSON_OBJECT('kind', 'share', 'share', r.`edge_share`), IF(r.`edge_width_m` IS NOT NULL, JSON_OBJECT('kind', 'strip', 'width', r.`edge_width_m`, 'length', r.`edge_length_m`), NULL)))
		)), '{}')),
		'level', r.`level`,
		'passage', JSON_COMPACT(ELT(r.`passage` + 1, 'false', 'true')),
		'turned', JSON_COMPACT(ELT(r.`turned` + 1, 'false', 'true')),
		'nudge', JSON_COMPACT(IF(r.`nudge_x_m` IS NULL OR r.`nudge_y_m` IS NULL, NULL, JSON_OBJECT('x', r.`nudge_x_m`, 'y', r.`nudge_y_m`))),
		'covering', r.`covering`,
		'fibre', r.`fibre`,
		'identifiedBy', r.`identified_by`,
		'backing', r.`backing`,
		'age', r.`age_years`,
		'soilNature', r.`soil_nature`,
		'wear', r.`wear`,
		'height', r.`height_m`,
		'pileHeight', r.`pile_height_m`,
		'faceWeight', r.`face_weight_kg_per_m2`,
		'soil', r.`soil`,
		'method', r.`method`,
		'rate', r.`rate_m3_per_m2`,
		'padAfter', JSON_COMPACT(ELT(r.`pad_after` + 1, 'false', 'true')),
		'batchId', r.`batch_id`,
		'air', JSON_COMPACT(NULLIF(JSON_MERGE_PATCH('{}', JSON_OBJECT('temperature', r.`air_temperature_c`, 'relativeHumidity', r.`air_relative_humidity`)), '{}')),
		'windows', r.`windows`,
		'airSpeed', r.`air_speed_m_per_s`,
		'airMovers', JSON_COMPACT((SELECT CONCAT('[', GROUP_CONCAT(JSON_OBJECT('flow', m.`flow_m3_per_s`, 'jetSpeed', m.`jet_speed_m_per_s`) ORDER BY m.`position` SEPARATOR ','), ']') FROM `room_air_movers` m WHERE m.`crew_id` = r.`crew_id` AND m.`job_id` = r.`job_id` AND m.`room_id` = r.`id`)),
		'dehumidifierLitresPerDay', r.`dehumidifier_l_per_day`
	)) ORDER BY r.`position` SEPARATOR ','), ']') FROM `rooms` r WHERE r.`crew_id` = j.`crew_id` AND r.`job_id` = j.`id`), '[]')),
	'doors', JSON_COMPACT((SELECT CONCAT('[', GROUP_CONCAT(JSON_MERGE_PATCH('{}', JSON_OBJECT('id', d.`id`, 'from', d.`from_room_id`, 'to', d.`to_room_id`, 'wall', d.`wall`, 'offset', d.`offset_m`, 'shut', JSON_COMPACT(ELT(d.`shut` + 1, 'false', 'true')))) ORDER BY d.`position` SEPARATOR ','), ']') FROM `doors` d WHERE d.`crew_id` = j.`crew_id` AND d.`job_id` = j.`id`)),
	'spots', JSON_COMPACT((SELECT CONCAT('[', GROUP_CONCAT(JSON_MERGE_PATCH('{}', JSON_OBJECT('id', s.`id`, 'roomId', s.`room_id`, 'x', s.`x_share`, 'y', s.`y_share`, 'across', s.`across_m`, 'origin', s.`origin`, 'known', s.`known`, 'nature', s.`nature`, 'age', s.`age`, 'uv', s.`uv`)) ORDER BY s.`position` SEPARATOR ','), ']') FROM `spots` s WHERE s.`crew_id` = j.`crew_id` AND s.`job_id` = j.`id`)),
	'batches', JSON_COMPACT(COALESCE((SELECT CONCAT('[', GROUP_CONCAT(JSON_MERGE_PATCH('{}', JSON_OBJECT(
		'id', b.`id`,
		'productId', b.`product_id`,
		'vesselId', b.`vessel_id`,
		'measure', b.`measure_m3`,
		'strength', JSON_COMPACT(IF(b.`strength_spelling` IS NULL, NULL, JSON_OBJECT('spelling', b.`strength_spelling`, 'value', b.`strength_value`))),
		'tipId', b.`tip_id`,
		'boosters', JSON_COMPACT((SELECT CONCAT('[', GROUP_CONCAT(JSON_MERGE_PATCH('{}', JSON_OBJECT('productId', o.`product_id`, 'strength', JSON_COMPACT(IF(o.`strength_spelling` IS NULL, NULL, JSON_OBJECT('spelling', o.`strength_spelling`, 'value', o.`strength_value`))))) ORDER BY o.`position` SEPARATOR ','), ']') FROM `batch_boosters` o WHERE o.`crew_id` = b.`crew_id` AND o.`job_id` = b.`job_id` AND o.`batch_id` = b.`id`)),
		'carried', b.`carried_m3`
	)) ORDER BY b.`position` SEPARATOR ','), ']') FROM `batches` b WHERE b.`crew_id` = j.`crew_id` AND b.`job_id` = j.`id`), '[]'))
)) WHERE j.`plan` IS NULL;--> statement-breakpoint
ALTER TABLE `jobs` MODIFY COLUMN `plan` json NOT NULL;--> statement-breakpoint
UPDATE `log_entries` SET `corrects` = JSON_VALUE(`entry`, '$.corrects') WHERE `kind` = 'correction' AND `corrects` IS NULL;--> statement-breakpoint
DELETE FROM `stock_use`;--> statement-breakpoint
INSERT INTO `stock_use` (`crew_id`, `product_id`, `lot`, `amount`)
SELECT u.`crew_id`, u.`product_id`, u.`lot`, SUM(CAST(u.`amount` AS DECIMAL(30,15))) FROM (
	SELECT e.`crew_id`, e.`job_id`, e.`id`, JSON_VALUE(e.`entry`, '$.productId') AS `product_id`, COALESCE(JSON_VALUE(e.`entry`, '$.lot'), '') AS `lot`, COALESCE(JSON_VALUE(e.`entry`, '$.powder'), JSON_VALUE(e.`entry`, '$.concentrate'), JSON_VALUE(e.`entry`, '$.amount'), '0') AS `amount`
	FROM `log_entries` e WHERE e.`kind` IN ('fill-made', 'product-used')
	UNION ALL
	SELECT e.`crew_id`, e.`job_id`, e.`id`, t.`product_id`, '', COALESCE(t.`powder`, t.`concentrate`)
	FROM `log_entries` e, JSON_TABLE(e.`entry`, '$.boosters[*]' COLUMNS (`product_id` varchar(36) PATH '$.productId', `concentrate` varchar(40) PATH '$.concentrate', `powder` varchar(40) PATH '$.powder')) t
	WHERE e.`kind` = 'fill-made'
) u
WHERE NOT EXISTS (SELECT 1 FROM `log_entries` c WHERE c.`crew_id` = u.`crew_id` AND c.`corrects` = u.`id` AND c.`job_id` = u.`job_id`)
GROUP BY u.`crew_id`, u.`product_id`, u.`lot`;
