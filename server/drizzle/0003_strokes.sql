ALTER TABLE `jobs` ADD `wet_strokes` int;--> statement-breakpoint
ALTER TABLE `jobs` ADD `dry_strokes` int;--> statement-breakpoint
ALTER TABLE `jobs` ADD `stroke_speed_m_per_s` double;