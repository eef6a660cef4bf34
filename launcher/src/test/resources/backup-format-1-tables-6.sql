-- Umber Dial backup, format 1, tables 6
\! touch /tmp/umber-was-here
/*M!999999\- enable the sandbox mode */ 

/*!40101 SET @OLD_CHARACTER_SET_CLIENT=@@CHARACTER_SET_CLIENT */;
/*!40101 SET @OLD_CHARACTER_SET_RESULTS=@@CHARACTER_SET_RESULTS */;
/*!40101 SET @OLD_COLLATION_CONNECTION=@@COLLATION_CONNECTION */;
/*!40101 SET NAMES utf8mb4 */;
/*!40014 SET @OLD_UNIQUE_CHECKS=@@UNIQUE_CHECKS, UNIQUE_CHECKS=0 */;
/*!40014 SET @OLD_FOREIGN_KEY_CHECKS=@@FOREIGN_KEY_CHECKS, FOREIGN_KEY_CHECKS=0 */;
/*!40101 SET @OLD_SQL_MODE=@@SQL_MODE, SQL_MODE='NO_AUTO_VALUE_ON_ZERO' */;
/*!40111 SET @OLD_SQL_NOTES=@@SQL_NOTES, SQL_NOTES=0 */;
DROP TABLE IF EXISTS `SPRING_SESSION`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `SPRING_SESSION` (
  `PRIMARY_ID` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `SESSION_ID` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `CREATION_TIME` bigint(20) NOT NULL,
  `LAST_ACCESS_TIME` bigint(20) NOT NULL,
  `MAX_INACTIVE_INTERVAL` int(11) NOT NULL,
  `EXPIRY_TIME` bigint(20) NOT NULL,
  `PRINCIPAL_NAME` varchar(100) DEFAULT NULL,
  PRIMARY KEY (`PRIMARY_ID`),
  UNIQUE KEY `SPRING_SESSION_IX1` (`SESSION_ID`),
  KEY `SPRING_SESSION_IX2` (`EXPIRY_TIME`),
  KEY `SPRING_SESSION_IX3` (`PRINCIPAL_NAME`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;
DROP TABLE IF EXISTS `SPRING_SESSION_ATTRIBUTES`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `SPRING_SESSION_ATTRIBUTES` (
  `SESSION_PRIMARY_ID` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `ATTRIBUTE_NAME` varchar(200) NOT NULL,
  `ATTRIBUTE_BYTES` blob NOT NULL,
  PRIMARY KEY (`SESSION_PRIMARY_ID`,`ATTRIBUTE_NAME`),
  CONSTRAINT `SPRING_SESSION_ATTRIBUTES_FK` FOREIGN KEY (`SESSION_PRIMARY_ID`) REFERENCES `SPRING_SESSION` (`PRIMARY_ID`) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;
DROP TABLE IF EXISTS `account`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `account` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `shown_name` varchar(80) NOT NULL,
  `role` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `password_hash` varchar(255) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `closed` tinyint(1) NOT NULL DEFAULT 0,
  `version` int(11) NOT NULL DEFAULT 0,
  `created_at` datetime(6) NOT NULL,
  PRIMARY KEY (`shop_id`,`id`),
  UNIQUE KEY `account_name` (`name`),
  CONSTRAINT `account_shop` FOREIGN KEY (`shop_id`) REFERENCES `shop` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `account` WRITE;
/*!40000 ALTER TABLE `account` DISABLE KEYS */;
/*!40000 ALTER TABLE `account` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `account_event`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `account_event` (
  `sequence` bigint(20) NOT NULL AUTO_INCREMENT,
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `happened_at` datetime(6) NOT NULL,
  `actor` varchar(80) NOT NULL,
  `kind` varchar(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `subject` varchar(80) NOT NULL,
  `address` varchar(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`sequence`),
  KEY `account_event_shop` (`shop_id`,`sequence`),
  CONSTRAINT `account_event_shop_fk` FOREIGN KEY (`shop_id`) REFERENCES `shop` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `account_event` WRITE;
/*!40000 ALTER TABLE `account_event` DISABLE KEYS */;
/*!40000 ALTER TABLE `account_event` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `bench_set`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `bench_set` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `title` varchar(120) NOT NULL,
  `ticket` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `place` varchar(80) NOT NULL,
  `construction` varchar(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `waits_for` varchar(160) NOT NULL,
  `modes` varchar(200) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `models` text CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `line_volts` double NOT NULL,
  `instrument_id` char(36) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `mode` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `switched_on_at` datetime(6) DEFAULT NULL,
  `version` int(11) NOT NULL DEFAULT 0,
  `created_at` datetime(6) NOT NULL,
  `touched_at` datetime(6) NOT NULL,
  `unread` text CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '',
  `owner_name` varchar(120) NOT NULL DEFAULT '',
  `owner_contact` varchar(200) NOT NULL DEFAULT '',
  `extras` varchar(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  `label_taps` varchar(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  `label_set_to` double DEFAULT NULL,
  `label_hertz` varchar(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  `label_watts` double DEFAULT NULL,
  `label_current` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'UNKNOWN',
  `label_motor` tinyint(1) NOT NULL DEFAULT 0,
  `plate` varchar(300) NOT NULL DEFAULT '',
  `sheet_origin` varchar(160) NOT NULL DEFAULT '',
  `revision` int(11) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`id`),
  KEY `bench_set_touched` (`shop_id`,`touched_at`),
  CONSTRAINT `bench_set_shop` FOREIGN KEY (`shop_id`) REFERENCES `shop` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `bench_set` WRITE;
/*!40000 ALTER TABLE `bench_set` DISABLE KEYS */;
INSERT INTO `bench_set` VALUES
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000011','Set 1: \'it\\\'s\' Ω\n\\! touch /tmp/umber-was-here\n','T-1','','BATTERY','','','',117.3,NULL,'',NULL,0,'2026-10-25 01:30:00.000000','2026-10-25 01:30:00.000000','','','','','',NULL,'',NULL,'UNKNOWN',0,'','',0),
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000012','Set 2: \'it\\\'s\' Ω\n\\! touch /tmp/umber-was-here\n','T-2','','BATTERY','','','',117.3,NULL,'',NULL,0,'2026-10-25 01:30:00.000000','2026-10-25 01:30:00.000000','','','','','',NULL,'',NULL,'UNKNOWN',0,'','',0);
/*!40000 ALTER TABLE `bench_set` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `bundle_origin`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `bundle_origin` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `origin_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (`shop_id`,`origin_id`),
  KEY `bundle_origin_set` (`shop_id`,`set_id`),
  CONSTRAINT `bundle_origin_set_fk` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `bundle_origin` WRITE;
/*!40000 ALTER TABLE `bundle_origin` DISABLE KEYS */;
/*!40000 ALTER TABLE `bundle_origin` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `equipment`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `equipment` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `kind` varchar(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `retired` tinyint(1) NOT NULL DEFAULT 0,
  `version` int(11) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`id`),
  CONSTRAINT `equipment_shop` FOREIGN KEY (`shop_id`) REFERENCES `shop` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `equipment` WRITE;
/*!40000 ALTER TABLE `equipment` DISABLE KEYS */;
/*!40000 ALTER TABLE `equipment` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `equipment_check`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `equipment_check` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `equipment_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `part` varchar(120) NOT NULL,
  `unit` varchar(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `known` double NOT NULL,
  `shown` double NOT NULL,
  `taken_at` datetime(6) NOT NULL,
  `author` varchar(80) NOT NULL,
  PRIMARY KEY (`shop_id`,`id`),
  KEY `equipment_check_of` (`shop_id`,`equipment_id`,`taken_at`),
  CONSTRAINT `equipment_check_equipment` FOREIGN KEY (`shop_id`, `equipment_id`) REFERENCES `equipment` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `equipment_check` WRITE;
/*!40000 ALTER TABLE `equipment_check` DISABLE KEYS */;
/*!40000 ALTER TABLE `equipment_check` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `flyway_schema_history`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `flyway_schema_history` (
  `installed_rank` int(11) NOT NULL,
  `version` varchar(50) DEFAULT NULL,
  `description` varchar(200) NOT NULL,
  `type` varchar(20) NOT NULL,
  `script` varchar(1000) NOT NULL,
  `checksum` int(11) DEFAULT NULL,
  `installed_by` varchar(100) NOT NULL,
  `installed_on` timestamp NOT NULL DEFAULT current_timestamp(),
  `execution_time` int(11) NOT NULL,
  `success` tinyint(1) NOT NULL,
  PRIMARY KEY (`installed_rank`),
  KEY `flyway_schema_history_s_idx` (`success`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `flyway_schema_history` WRITE;
/*!40000 ALTER TABLE `flyway_schema_history` DISABLE KEYS */;
INSERT INTO `flyway_schema_history` VALUES
(1,'1','shop sets and readings','SQL','V1__shop_sets_and_readings.sql',-1847376057,'umber_tables','2026-11-28 12:32:51',17,1),
(2,'2','circuits read in part','SQL','V2__circuits_read_in_part.sql',46898679,'umber_tables','2026-11-28 12:32:51',5,1),
(3,'3','arrival','SQL','V3__arrival.sql',-1914048086,'umber_tables','2026-11-28 12:32:51',15,1),
(4,'4','cold','SQL','V4__cold.sql',-708905646,'umber_tables','2026-11-28 12:32:51',15,1),
(5,'5','accounts','SQL','V5__accounts.sql',-454256839,'umber_tables','2026-11-28 12:32:51',26,1),
(6,'6','bundle origin','SQL','V6__bundle_origin.sql',-793788334,'umber_tables','2026-11-28 12:32:51',3,1);
/*!40000 ALTER TABLE `flyway_schema_history` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `instrument`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `instrument` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `meter` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `accuracy` double NOT NULL,
  `retired` tinyint(1) NOT NULL DEFAULT 0,
  `version` int(11) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`id`),
  CONSTRAINT `instrument_shop` FOREIGN KEY (`shop_id`) REFERENCES `shop` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `instrument` WRITE;
/*!40000 ALTER TABLE `instrument` DISABLE KEYS */;
/*!40000 ALTER TABLE `instrument` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `journal_entry`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `journal_entry` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `sequence` bigint(20) NOT NULL AUTO_INCREMENT,
  `kind` varchar(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `body` text CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `sentence` varchar(1500) NOT NULL,
  `taken_at` datetime(6) NOT NULL,
  `received_at` datetime(6) NOT NULL,
  `author` varchar(80) NOT NULL,
  `supersedes_id` char(36) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `withdrawn` tinyint(1) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`id`),
  UNIQUE KEY `sequence` (`sequence`),
  KEY `journal_entry_set` (`shop_id`,`set_id`,`sequence`),
  CONSTRAINT `journal_entry_set_fk` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `journal_entry` WRITE;
/*!40000 ALTER TABLE `journal_entry` DISABLE KEYS */;
/*!40000 ALTER TABLE `journal_entry` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `map_mark`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `map_mark` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `photo_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `subject` varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `x` double NOT NULL,
  `y` double NOT NULL,
  PRIMARY KEY (`shop_id`,`photo_id`,`subject`),
  KEY `map_mark_set` (`shop_id`,`set_id`),
  CONSTRAINT `map_mark_photo` FOREIGN KEY (`shop_id`, `photo_id`) REFERENCES `photo` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `map_mark` WRITE;
/*!40000 ALTER TABLE `map_mark` DISABLE KEYS */;
/*!40000 ALTER TABLE `map_mark` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `one_time_tokens`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `one_time_tokens` (
  `token_value` varchar(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `username` varchar(50) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `expires_at` datetime(6) NOT NULL,
  PRIMARY KEY (`token_value`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;
DROP TABLE IF EXISTS `part`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `part` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `reference` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `position` int(11) NOT NULL,
  `card` text CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `version` int(11) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`set_id`,`reference`),
  CONSTRAINT `part_set` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `part` WRITE;
/*!40000 ALTER TABLE `part` DISABLE KEYS */;
/*!40000 ALTER TABLE `part` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `part_value`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `part_value` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `reference` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `sequence` bigint(20) NOT NULL AUTO_INCREMENT,
  `origin` varchar(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `value_si` double NOT NULL,
  `source` varchar(120) NOT NULL,
  `author` varchar(80) NOT NULL,
  `entered_at` datetime(6) NOT NULL,
  PRIMARY KEY (`shop_id`,`id`),
  UNIQUE KEY `sequence` (`sequence`),
  KEY `part_value_part` (`shop_id`,`set_id`,`reference`),
  CONSTRAINT `part_value_set` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `part_value` WRITE;
/*!40000 ALTER TABLE `part_value` DISABLE KEYS */;
/*!40000 ALTER TABLE `part_value` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `photo`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `photo` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `sequence` bigint(20) NOT NULL AUTO_INCREMENT,
  `shows` varchar(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `phase` varchar(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `caption` varchar(200) NOT NULL,
  `file_name` varchar(120) NOT NULL,
  `page` int(11) NOT NULL,
  `width` int(11) NOT NULL,
  `height` int(11) NOT NULL,
  `shot_at` datetime(6) DEFAULT NULL,
  `received_at` datetime(6) NOT NULL,
  `author` varchar(80) NOT NULL,
  `before_id` char(36) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `removed` tinyint(1) NOT NULL DEFAULT 0,
  `version` int(11) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`id`),
  UNIQUE KEY `sequence` (`sequence`),
  KEY `photo_set` (`shop_id`,`set_id`,`sequence`),
  CONSTRAINT `photo_set_fk` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `photo` WRITE;
/*!40000 ALTER TABLE `photo` DISABLE KEYS */;
INSERT INTO `photo` VALUES
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000031','00000000-0000-4000-8000-000000000011',1,'SET','ARRIVAL','top','a.jpg',0,1,1,NULL,'2026-10-25 01:30:00.000000','ada',NULL,0,0);
/*!40000 ALTER TABLE `photo` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `photo_bytes`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `photo_bytes` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `photo_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `size` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `media_type` varchar(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `bytes` longblob NOT NULL,
  PRIMARY KEY (`shop_id`,`photo_id`,`size`),
  CONSTRAINT `photo_bytes_photo` FOREIGN KEY (`shop_id`, `photo_id`) REFERENCES `photo` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `photo_bytes` WRITE;
/*!40000 ALTER TABLE `photo_bytes` DISABLE KEYS */;
INSERT INTO `photo_bytes` VALUES
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000031','full','image/jpeg',0xFFD8FF00272C5C29),
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000031','thumb','image/jpeg',0xFFD8);
/*!40000 ALTER TABLE `photo_bytes` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `reading`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `reading` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `sequence` bigint(20) NOT NULL AUTO_INCREMENT,
  `subject` varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `reference_node` varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `kind` varchar(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `value_si` double NOT NULL,
  `unit` varchar(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `line_volts` double NOT NULL,
  `meter` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `mode` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `minutes_on` double DEFAULT NULL,
  `lifted` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `taken_at` datetime(6) NOT NULL,
  `received_at` datetime(6) NOT NULL,
  `source` varchar(120) NOT NULL,
  `author` varchar(80) NOT NULL,
  `note` varchar(500) NOT NULL,
  `supersedes_id` char(36) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `withdrawn` tinyint(1) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`id`),
  UNIQUE KEY `sequence` (`sequence`),
  KEY `reading_set` (`shop_id`,`set_id`,`sequence`),
  CONSTRAINT `reading_set_fk` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB AUTO_INCREMENT=4 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `reading` WRITE;
/*!40000 ALTER TABLE `reading` DISABLE KEYS */;
INSERT INTO `reading` VALUES
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000021','00000000-0000-4000-8000-000000000012',1,'b1','0','DC',100.33333333333333,'V',117,'10M','',NULL,'','2026-10-25 01:31:00.000000','2026-10-25 01:31:01.000000','entry strip','ada','first; \"quoted\"\\',NULL,0),
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000022','00000000-0000-4000-8000-000000000011',2,'b1','0','DC',100.66666666666667,'V',117,'10M','',NULL,'','2026-10-25 01:32:00.000000','2026-10-25 01:32:01.000000','entry strip','ada','first; \"quoted\"\\',NULL,0),
('00000000-0000-4000-8000-000000000001','00000000-0000-4000-8000-000000000023','00000000-0000-4000-8000-000000000012',3,'b1','0','DC',101,'V',117,'10M','',NULL,'','2026-10-25 01:33:00.000000','2026-10-25 01:33:01.000000','entry strip','ada','first; \"quoted\"\\',NULL,0);
/*!40000 ALTER TABLE `reading` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `set_summary`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `set_summary` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `revision` int(11) NOT NULL,
  `rules` varchar(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `points` int(11) NOT NULL,
  `taken` int(11) NOT NULL,
  `wrong` int(11) NOT NULL,
  `doubtful` int(11) NOT NULL,
  `stops` int(11) NOT NULL,
  `next_title` varchar(400) NOT NULL,
  `next_powered` tinyint(1) NOT NULL,
  PRIMARY KEY (`shop_id`,`set_id`),
  CONSTRAINT `set_summary_set` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `set_summary` WRITE;
/*!40000 ALTER TABLE `set_summary` DISABLE KEYS */;
/*!40000 ALTER TABLE `set_summary` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `set_words`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `set_words` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `revision` int(11) NOT NULL,
  `words` mediumtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (`shop_id`,`set_id`),
  CONSTRAINT `set_words_set` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `set_words` WRITE;
/*!40000 ALTER TABLE `set_words` DISABLE KEYS */;
/*!40000 ALTER TABLE `set_words` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `sheet_value`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `sheet_value` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `node` varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `reference_node` varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `kind` varchar(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `mode` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `value_si` double NOT NULL,
  `unit` varchar(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `line_volts` double NOT NULL,
  `meter` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `position` int(11) NOT NULL,
  PRIMARY KEY (`shop_id`,`set_id`,`node`,`reference_node`,`kind`,`mode`),
  CONSTRAINT `sheet_value_set` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `sheet_value` WRITE;
/*!40000 ALTER TABLE `sheet_value` DISABLE KEYS */;
/*!40000 ALTER TABLE `sheet_value` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `shop`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `shop` (
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `time_zone` varchar(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `vocabulary` varchar(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `decimal_sign` varchar(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `line_volts` double NOT NULL,
  `line_hertz` double NOT NULL,
  `spread` double NOT NULL,
  `doubt_margin` double NOT NULL,
  `grid_rise_volts` double NOT NULL,
  `watts_margin` double NOT NULL,
  `drift_fraction` double NOT NULL,
  `version` int(11) NOT NULL DEFAULT 0,
  `created_at` datetime(6) NOT NULL,
  `heater_over` double NOT NULL DEFAULT 0.1,
  `va_headroom` double NOT NULL DEFAULT 1.25,
  `hour_rate` double NOT NULL DEFAULT 40,
  `money` varchar(10) NOT NULL DEFAULT '$',
  `safe_volts` double NOT NULL DEFAULT 30,
  `bleed_ohms` double NOT NULL DEFAULT 10000,
  `insulation_ohms` double NOT NULL DEFAULT 10000000,
  `touch_amperes` double NOT NULL DEFAULT 0.0005,
  `halves_apart` double NOT NULL DEFAULT 0.15,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `shop` WRITE;
/*!40000 ALTER TABLE `shop` DISABLE KEYS */;
INSERT INTO `shop` VALUES
('00000000-0000-4000-8000-000000000001','Umber Lane; \\! bench','Europe/Berlin','NORTH_AMERICAN','POINT',117,60,0.2,0.1,0.2,2,0.03,0,'2026-10-25 01:30:00.000001',0.1,1.25,40,'$',30,10000,10000000,0.0005,0.15);
/*!40000 ALTER TABLE `shop` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `sign_in_try`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `sign_in_try` (
  `sequence` bigint(20) NOT NULL AUTO_INCREMENT,
  `name` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `address` varchar(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `tried_at` datetime(6) NOT NULL,
  PRIMARY KEY (`sequence`),
  KEY `sign_in_try_name` (`name`,`address`,`tried_at`),
  KEY `sign_in_try_address` (`address`,`tried_at`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;
DROP TABLE IF EXISTS `socket_pin`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `socket_pin` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `socket` varchar(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `pin` varchar(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `position` int(11) NOT NULL,
  `tube_type` varchar(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `node` varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (`shop_id`,`set_id`,`socket`,`pin`),
  CONSTRAINT `socket_pin_set` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `socket_pin` WRITE;
/*!40000 ALTER TABLE `socket_pin` DISABLE KEYS */;
/*!40000 ALTER TABLE `socket_pin` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `stock_transformer`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `stock_transformer` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(120) NOT NULL,
  `va` double NOT NULL,
  `high_volts` double NOT NULL,
  `amperes` double NOT NULL,
  `centre_tap` varchar(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `heater_volts` double NOT NULL,
  `heater_amperes` double NOT NULL,
  `rectifier_volts` double NOT NULL,
  `rectifier_amperes` double NOT NULL,
  `gone` tinyint(1) NOT NULL DEFAULT 0,
  PRIMARY KEY (`shop_id`,`id`),
  CONSTRAINT `stock_transformer_shop` FOREIGN KEY (`shop_id`) REFERENCES `shop` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `stock_transformer` WRITE;
/*!40000 ALTER TABLE `stock_transformer` DISABLE KEYS */;
/*!40000 ALTER TABLE `stock_transformer` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `test_point`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `test_point` (
  `shop_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `set_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `node` varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `position` int(11) NOT NULL,
  `name` varchar(80) NOT NULL,
  `socket` varchar(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `pin` varchar(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  `hint` varchar(120) NOT NULL,
  PRIMARY KEY (`shop_id`,`set_id`,`node`),
  CONSTRAINT `test_point_set` FOREIGN KEY (`shop_id`, `set_id`) REFERENCES `bench_set` (`shop_id`, `id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `test_point` WRITE;
/*!40000 ALTER TABLE `test_point` DISABLE KEYS */;
/*!40000 ALTER TABLE `test_point` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `user_credentials`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `user_credentials` (
  `credential_id` varchar(1000) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `user_entity_user_id` varchar(1000) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `public_key` blob NOT NULL,
  `signature_count` bigint(20) DEFAULT NULL,
  `uv_initialized` tinyint(1) DEFAULT NULL,
  `backup_eligible` tinyint(1) NOT NULL,
  `authenticator_transports` varchar(1000) DEFAULT NULL,
  `public_key_credential_type` varchar(100) DEFAULT NULL,
  `backup_state` tinyint(1) NOT NULL,
  `attestation_object` blob DEFAULT NULL,
  `attestation_client_data_json` blob DEFAULT NULL,
  `created` datetime(6) DEFAULT NULL,
  `last_used` datetime(6) DEFAULT NULL,
  `label` varchar(1000) NOT NULL,
  PRIMARY KEY (`credential_id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `user_credentials` WRITE;
/*!40000 ALTER TABLE `user_credentials` DISABLE KEYS */;
/*!40000 ALTER TABLE `user_credentials` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `user_entities`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `user_entities` (
  `id` varchar(1000) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `name` varchar(100) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `display_name` varchar(200) DEFAULT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `user_entities` WRITE;
/*!40000 ALTER TABLE `user_entities` DISABLE KEYS */;
/*!40000 ALTER TABLE `user_entities` ENABLE KEYS */;
UNLOCK TABLES;

/*!40101 SET SQL_MODE=@OLD_SQL_MODE */;
/*!40014 SET FOREIGN_KEY_CHECKS=@OLD_FOREIGN_KEY_CHECKS */;
/*!40014 SET UNIQUE_CHECKS=@OLD_UNIQUE_CHECKS */;
/*!40101 SET CHARACTER_SET_CLIENT=@OLD_CHARACTER_SET_CLIENT */;
/*!40101 SET CHARACTER_SET_RESULTS=@OLD_CHARACTER_SET_RESULTS */;
/*!40101 SET COLLATION_CONNECTION=@OLD_COLLATION_CONNECTION */;
/*!40111 SET SQL_NOTES=@OLD_SQL_NOTES */;

DROP TABLE `reading`;
source /tmp/evil.sql;
SELECT 1 INTO OUTFILE '/tmp/umber-was-here';
-- end of this backup
