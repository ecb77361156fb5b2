/*M!999999\- enable the sandbox mode */ 

/*!40101 SET @OLD_CHARACTER_SET_CLIENT=@@CHARACTER_SET_CLIENT */;
/*!40101 SET @OLD_CHARACTER_SET_RESULTS=@@CHARACTER_SET_RESULTS */;
/*!40101 SET @OLD_COLLATION_CONNECTION=@@COLLATION_CONNECTION */;
/*!40101 SET NAMES utf8mb4 */;
/*!40103 SET @OLD_TIME_ZONE=@@TIME_ZONE */;
/*!40103 SET TIME_ZONE='+00:00' */;
/*!40014 SET @OLD_UNIQUE_CHECKS=@@UNIQUE_CHECKS, UNIQUE_CHECKS=0 */;
/*!40014 SET @OLD_FOREIGN_KEY_CHECKS=@@FOREIGN_KEY_CHECKS, FOREIGN_KEY_CHECKS=0 */;
/*!40101 SET @OLD_SQL_MODE=@@SQL_MODE, SQL_MODE='NO_AUTO_VALUE_ON_ZERO' */;
/*!40111 SET @OLD_SQL_NOTES=@@SQL_NOTES, SQL_NOTES=0 */;
DROP TABLE IF EXISTS `batches`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `batches` (
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `version` int(10) unsigned NOT NULL DEFAULT 1,
  `name` varchar(120) NOT NULL,
  `boxes` smallint(5) unsigned NOT NULL,
  `units` enum('inch','mm') NOT NULL,
  `division` tinyint(3) unsigned NOT NULL,
  `plan` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`plan`)),
  `saw` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`saw`)),
  `created_at` datetime(3) NOT NULL,
  `changed_at` datetime(3) NOT NULL,
  `deleted_at` datetime(3) DEFAULT NULL,
  `choices` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL COMMENT 'pins, boards left alone, what counts in the layout; null: nothing asked' CHECK (json_valid(`choices`)),
  PRIMARY KEY (`id`),
  KEY `batches_deleted_at_changed_at_index` (`deleted_at`,`changed_at`),
  CONSTRAINT `batches_boxes` CHECK (`boxes` between 1 and 1000)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `batches` WRITE;
/*!40000 ALTER TABLE `batches` DISABLE KEYS */;
INSERT INTO `batches` VALUES
('27272f98-1c8c-4c6f-9b02-54a503b0c0ac',1,'A barn owl box for the grain shed',1,'inch',16,'{\"format\":\"spare-knot/box-plan\",\"version\":1,\"family\":\"owl\",\"animal\":\"barn-owl-na\",\"sizes\":{\"width\":254,\"depth\":457.2,\"frontHeight\":419.1,\"overhangFront\":60.325,\"overhangSide\":25.4,\"overhangRear\":0,\"floorRecess\":9.525,\"drainSize\":12.7,\"entranceWidth\":152.4,\"entranceUpright\":76.2,\"entranceHeight\":152.4,\"ventSize\":15.875,\"flapFrom\":60.325,\"flapHigh\":200.025,\"platformDeep\":200.025,\"platformWide\":254},\"angles\":{\"slope\":6,\"taper\":5},\"schools\":{\"frame\":\"posts\",\"lid\":\"lift-off\",\"access\":\"flap\",\"platform\":\"none\",\"floor\":\"holes\",\"floorAt\":\"recessed\",\"vents\":\"holes\",\"grip\":\"kerfs\",\"entrance\":\"round\",\"entranceTo\":\"sill\",\"hang\":\"screws\",\"fastening\":\"screws-glue\",\"finish\":\"bare\",\"wide\":\"glued\"},\"wood\":{\"front\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"back\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"side-left\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"side-right\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"flap\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"floor\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"roof\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"post\":{\"thickness\":19.05,\"width\":38.1,\"material\":\"spruce\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"batten\":{\"thickness\":25,\"width\":38,\"material\":\"spruce\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"lid-batten\":{\"thickness\":19.05,\"width\":38.1,\"material\":\"spruce\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"platform\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"bearer\":{\"thickness\":38,\"width\":38,\"material\":\"spruce\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"ladder\":{\"thickness\":6,\"width\":12,\"material\":\"spruce\",\"faceA\":\"planed\",\"faceB\":\"planed\"}}}','{\"kerf\":3.175,\"rip\":true,\"throughCuts\":true,\"maxMitre\":50,\"maxTilt\":45,\"endTrim\":0,\"keep\":{\"length\":150,\"width\":60}}','2026-11-25 19:48:58.205','2026-11-25 19:48:58.205',NULL,'{\"pinned\":[],\"forbidden\":[],\"goals\":{\"first\":\"cost\",\"classes\":[{\"from\":0,\"worth\":0.3},{\"from\":300,\"worth\":0.6},{\"from\":600,\"worth\":0.9},{\"from\":1200,\"worth\":1}]},\"seconds\":5,\"crosscut\":null,\"handHeld\":200}'),
('458416f6-a5fd-48b2-bd64-23530e9971cd',1,'Boxes over the slough',4,'inch',16,'{\"format\":\"spare-knot/box-plan\",\"version\":1,\"family\":\"slant-roof\",\"animal\":\"prothonotary-warbler\",\"sizes\":{\"width\":139.7,\"depth\":139.7,\"frontHeight\":209.55,\"backHeight\":234.95,\"overhangFront\":50.8,\"overhangSide\":19.05,\"overhangRear\":0,\"letIn\":6.35,\"floorRecess\":9.525,\"drainSize\":12.7,\"backAbove\":0,\"backBelow\":38.1,\"entranceWidth\":31.75,\"entranceUpright\":76.2,\"entranceHeight\":127,\"pivotBelow\":25.4,\"ventSize\":6.35},\"angles\":{\"slope\":10},\"schools\":{\"roof\":\"butt\",\"slope\":\"heights\",\"walls\":\"over\",\"measure\":\"outside\",\"access\":\"side\",\"opensAt\":\"right\",\"floor\":\"clipped\",\"floorAt\":\"recessed\",\"vents\":\"gap-sides\",\"faces\":\"inside\",\"grip\":\"rough\",\"entrance\":\"round\",\"entranceTo\":\"centre\",\"roofGrain\":\"slope\",\"drip\":\"none\",\"fastening\":\"screws-glue\",\"finish\":\"bare\",\"wide\":\"glued\"},\"wood\":{\"front\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"back\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"side-left\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"side-right\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"floor\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"roof\":{\"thickness\":19.05,\"width\":184.15,\"material\":\"eastern-white-pine\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"ladder\":{\"thickness\":6,\"width\":12,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"}}}','{\"kerf\":3.175,\"rip\":true,\"throughCuts\":true,\"maxMitre\":50,\"maxTilt\":45,\"endTrim\":0,\"keep\":{\"length\":150,\"width\":60}}','2026-11-25 19:48:58.233','2026-11-25 19:48:58.233',NULL,'{\"pinned\":[],\"forbidden\":[],\"goals\":{\"first\":\"cost\",\"classes\":[{\"from\":0,\"worth\":0.3},{\"from\":300,\"worth\":0.6},{\"from\":600,\"worth\":0.9},{\"from\":1200,\"worth\":1}]},\"seconds\":5,\"crosscut\":null,\"handHeld\":200}'),
('61bdf2b0-f2c8-41e0-b89a-d35bafac4410',1,'Six boxes for the rail trail',6,'inch',16,'{\"format\":\"spare-knot/box-plan\",\"version\":1,\"family\":\"slant-roof\",\"animal\":\"black-capped-chickadee\",\"sizes\":{\"width\":139.7,\"depth\":139.7,\"frontHeight\":234.95,\"backHeight\":260.35,\"overhangFront\":57.15,\"overhangSide\":19.05,\"overhangRear\":0,\"letIn\":6.35,\"floorRecess\":9.525,\"drainSize\":12.7,\"backAbove\":25.4,\"backBelow\":38.1,\"entranceWidth\":28.575,\"entranceUpright\":76.2,\"entranceHeight\":177.8,\"pivotBelow\":25.4,\"ventSize\":6.35},\"angles\":{\"slope\":10},\"schools\":{\"roof\":\"butt\",\"slope\":\"heights\",\"walls\":\"between\",\"measure\":\"outside\",\"access\":\"screwed\",\"opensAt\":\"right\",\"floor\":\"clipped\",\"floorAt\":\"recessed\",\"vents\":\"gap-sides\",\"faces\":\"inside\",\"grip\":\"rough\",\"entrance\":\"round\",\"entranceTo\":\"centre\",\"roofGrain\":\"slope\",\"drip\":\"none\",\"fastening\":\"screws-glue\",\"finish\":\"bare\",\"wide\":\"glued\"},\"wood\":{\"front\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"back\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"side-left\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"side-right\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"floor\":{\"thickness\":15.875,\"width\":139.7,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"roof\":{\"thickness\":19.05,\"width\":184.15,\"material\":\"eastern-white-pine\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"ladder\":{\"thickness\":6,\"width\":12,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"}}}','{\"kerf\":3.175,\"rip\":true,\"throughCuts\":true,\"maxMitre\":50,\"maxTilt\":45,\"endTrim\":0,\"keep\":{\"length\":150,\"width\":60}}','2026-11-25 19:48:58.251','2026-11-25 19:48:58.251',NULL,'{\"pinned\":[],\"forbidden\":[],\"goals\":{\"first\":\"cost\",\"classes\":[{\"from\":0,\"worth\":0.3},{\"from\":300,\"worth\":0.6},{\"from\":600,\"worth\":0.9},{\"from\":1200,\"worth\":1}]},\"seconds\":5,\"crosscut\":null,\"handHeld\":200}'),
('64b2782d-a4a6-41ef-b1ef-1455e76405df',2,'A house for the sail-loft bats',1,'inch',16,'{\"format\":\"spare-knot/box-plan\",\"version\":1,\"family\":\"bat\",\"animal\":\"crevice-bats-na\",\"sizes\":{\"width\":355.6,\"frontHeight\":609.6,\"crevice\":22.225,\"landing\":120.65,\"overhangFront\":60.325,\"overhangSide\":31.75,\"passage\":15.875,\"ventAbove\":200.025,\"ventSize\":12.7},\"angles\":{\"slope\":15},\"schools\":{\"crevices\":\"2\",\"vents\":\"slot\",\"grip\":\"kerfs\",\"ends\":\"cheeks\",\"fastening\":\"screws-glue\",\"finish\":\"bare\",\"wide\":\"glued\"},\"wood\":{\"front\":{\"thickness\":12,\"width\":1220,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"partition\":{\"thickness\":12,\"width\":1220,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"back\":{\"thickness\":12,\"width\":1220,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"side-left\":{\"thickness\":12,\"width\":1220,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"side-right\":{\"thickness\":12,\"width\":1220,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"spacer\":{\"thickness\":22,\"width\":30,\"material\":\"spruce\",\"faceA\":\"planed\",\"faceB\":\"planed\"},\"roof\":{\"thickness\":12,\"width\":1220,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"}}}','{\"kerf\":3.175,\"rip\":true,\"throughCuts\":true,\"maxMitre\":50,\"maxTilt\":45,\"endTrim\":0,\"keep\":{\"length\":150,\"width\":60}}','2026-11-25 19:48:58.191','2026-11-25 19:49:39.015',NULL,'{\"pinned\":[],\"forbidden\":[],\"goals\":{\"first\":\"cost\",\"classes\":[{\"from\":0,\"worth\":0.3},{\"from\":300,\"worth\":0.6},{\"from\":600,\"worth\":0.9},{\"from\":1200,\"worth\":1}]},\"seconds\":5,\"crosscut\":null,\"handHeld\":200}'),
('91bd1a7a-b3db-43c3-bead-96ecb8fc7467',1,'Martin house for the slipway',1,'inch',16,'{\"format\":\"spare-knot/box-plan\",\"version\":1,\"family\":\"colony\",\"animal\":\"purple-martin\",\"sizes\":{\"roomWidth\":152.4,\"roomDepth\":152.4,\"roomHeight\":165.1,\"overhangFront\":60.325,\"overhangSide\":31.75,\"overhangRear\":60.325,\"floorRecess\":9.525,\"entranceWidth\":53.975,\"entranceHeight\":31.75,\"drainSize\":9.525,\"ventSize\":9.525},\"angles\":{\"slope\":8},\"schools\":{\"columns\":\"4\",\"rows\":\"2\",\"sides\":\"two\",\"roof\":\"flat\",\"frontGrain\":\"along\",\"access\":\"screwed\",\"grip\":\"rough\",\"entranceTo\":\"sill\",\"fastening\":\"screws-glue\",\"finish\":\"bare\",\"wide\":\"glued\"},\"wood\":{\"front\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"back\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"side-left\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"side-right\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"floor\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"partition\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"middle\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"roof\":{\"thickness\":11.90625,\"width\":1219.2,\"material\":\"plywood\",\"faceA\":\"planed\",\"faceB\":\"planed\"}}}','{\"kerf\":3.175,\"rip\":true,\"throughCuts\":true,\"maxMitre\":50,\"maxTilt\":45,\"endTrim\":0,\"keep\":{\"length\":150,\"width\":60}}','2026-11-25 19:48:58.222','2026-11-25 19:48:58.222',NULL,'{\"pinned\":[],\"forbidden\":[],\"goals\":{\"first\":\"cost\",\"classes\":[{\"from\":0,\"worth\":0.3},{\"from\":300,\"worth\":0.6},{\"from\":600,\"worth\":0.9},{\"from\":1200,\"worth\":1}]},\"seconds\":5,\"crosscut\":null,\"handHeld\":200}'),
('b7facff6-56b7-434b-a87f-064204d772a7',1,'Two for the owl wood',2,'inch',16,'{\"format\":\"spare-knot/box-plan\",\"version\":1,\"family\":\"slant-roof\",\"animal\":\"saw-whet-owl\",\"sizes\":{\"width\":152.4,\"depth\":152.4,\"frontHeight\":320.675,\"backHeight\":346.075,\"overhangFront\":50.8,\"overhangSide\":19.05,\"overhangRear\":0,\"letIn\":6.35,\"floorRecess\":9.525,\"drainSize\":12.7,\"backAbove\":0,\"backBelow\":38.1,\"entranceWidth\":63.5,\"entranceUpright\":76.2,\"entranceHeight\":228.6,\"pivotBelow\":25.4,\"ventSize\":6.35},\"angles\":{\"slope\":10},\"schools\":{\"roof\":\"butt\",\"slope\":\"heights\",\"walls\":\"over\",\"measure\":\"inside\",\"access\":\"side\",\"opensAt\":\"right\",\"floor\":\"clipped\",\"floorAt\":\"recessed\",\"vents\":\"gap-sides\",\"faces\":\"inside\",\"grip\":\"rough\",\"entrance\":\"round\",\"entranceTo\":\"centre\",\"roofGrain\":\"slope\",\"drip\":\"none\",\"fastening\":\"screws-glue\",\"finish\":\"bare\",\"wide\":\"glued\"},\"wood\":{\"front\":{\"thickness\":22.225,\"width\":203.2,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"back\":{\"thickness\":22.225,\"width\":203.2,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"side-left\":{\"thickness\":22.225,\"width\":203.2,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"side-right\":{\"thickness\":22.225,\"width\":203.2,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"floor\":{\"thickness\":22.225,\"width\":203.2,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"},\"roof\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"ladder\":{\"thickness\":6,\"width\":12,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"rough\"}}}','{\"kerf\":3.175,\"rip\":true,\"throughCuts\":true,\"maxMitre\":50,\"maxTilt\":45,\"endTrim\":0,\"keep\":{\"length\":150,\"width\":60}}','2026-11-25 19:48:58.228','2026-11-25 19:48:58.228',NULL,'{\"pinned\":[],\"forbidden\":[],\"goals\":{\"first\":\"cost\",\"classes\":[{\"from\":0,\"worth\":0.3},{\"from\":300,\"worth\":0.6},{\"from\":600,\"worth\":0.9},{\"from\":1200,\"worth\":1}]},\"seconds\":5,\"crosscut\":null,\"handHeld\":200}'),
('cfc7481c-6e5a-4a74-800a-d99bd46a1082',1,'Swallows for the mooring posts',8,'inch',16,'{\"format\":\"spare-knot/box-plan\",\"version\":1,\"family\":\"slant-roof\",\"animal\":\"tree-swallow\",\"sizes\":{\"width\":165.1,\"depth\":158.75,\"frontHeight\":234.95,\"backHeight\":260.35,\"overhangFront\":50.8,\"overhangSide\":9.525,\"overhangRear\":0,\"letIn\":6.35,\"floorRecess\":9.525,\"drainSize\":12.7,\"backAbove\":0,\"backBelow\":38.1,\"entranceWidth\":34.925,\"entranceUpright\":76.2,\"entranceHeight\":127,\"pivotBelow\":25.4,\"ventSize\":6.35},\"angles\":{\"slope\":10},\"schools\":{\"roof\":\"butt\",\"slope\":\"heights\",\"walls\":\"over\",\"measure\":\"outside\",\"access\":\"side\",\"opensAt\":\"right\",\"floor\":\"clipped\",\"floorAt\":\"recessed\",\"vents\":\"gap-sides\",\"faces\":\"inside\",\"grip\":\"rough\",\"entrance\":\"round\",\"entranceTo\":\"centre\",\"roofGrain\":\"slope\",\"drip\":\"none\",\"fastening\":\"screws-glue\",\"finish\":\"bare\",\"wide\":\"glued\"},\"wood\":{\"front\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"back\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"side-left\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"side-right\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"floor\":{\"thickness\":19.05,\"width\":234.95,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"roof\":{\"thickness\":19.05,\"width\":184.15,\"material\":\"eastern-white-pine\",\"faceA\":\"rough\",\"faceB\":\"planed\"},\"ladder\":{\"thickness\":6,\"width\":12,\"material\":\"western-red-cedar\",\"faceA\":\"rough\",\"faceB\":\"planed\"}}}','{\"kerf\":3.175,\"rip\":true,\"throughCuts\":true,\"maxMitre\":50,\"maxTilt\":45,\"endTrim\":0,\"keep\":{\"length\":150,\"width\":60}}','2026-11-25 19:48:58.246','2026-11-25 19:48:58.246',NULL,'{\"pinned\":[],\"forbidden\":[],\"goals\":{\"first\":\"cost\",\"classes\":[{\"from\":0,\"worth\":0.3},{\"from\":300,\"worth\":0.6},{\"from\":600,\"worth\":0.9},{\"from\":1200,\"worth\":1}]},\"seconds\":5,\"crosscut\":null,\"handHeld\":200}');
/*!40000 ALTER TABLE `batches` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `boards`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `boards` (
  `id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `version` int(10) unsigned NOT NULL DEFAULT 1,
  `name` varchar(200) NOT NULL,
  `quantity` int(10) unsigned NOT NULL,
  `material` varchar(200) NOT NULL,
  `thickness` int(10) unsigned NOT NULL COMMENT 'ticks of 1/320 mm',
  `width` int(10) unsigned NOT NULL COMMENT 'ticks',
  `length` int(10) unsigned NOT NULL COMMENT 'ticks',
  `face_a` enum('rough','planed') NOT NULL,
  `face_b` enum('rough','planed') NOT NULL,
  `price` int(10) unsigned DEFAULT NULL COMMENT 'hundredths',
  `offcut` tinyint(1) NOT NULL DEFAULT 0,
  `grained` tinyint(1) NOT NULL DEFAULT 1,
  `from_batch` char(36) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `created_at` datetime(3) NOT NULL,
  `deleted_at` datetime(3) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `boards_from_batch_foreign` (`from_batch`),
  KEY `boards_deleted_at_created_at_index` (`deleted_at`,`created_at`),
  CONSTRAINT `boards_from_batch_foreign` FOREIGN KEY (`from_batch`) REFERENCES `batches` (`id`),
  CONSTRAINT `boards_sizes` CHECK (`thickness` > 0 and `width` > 0 and `length` > 0)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `boards` WRITE;
/*!40000 ALTER TABLE `boards` DISABLE KEYS */;
INSERT INTO `boards` VALUES
('07c9dbee-4d8f-4e19-8445-fd57b33948f2',1,'Batten, one by two',10,'spruce',6096,12192,780288,'rough','planed',210,0,1,NULL,'2026-11-25 19:48:57.108',NULL),
('3a321869-831a-4e81-b94c-d7c229b264c4',1,'Boat-shop cedar',4,'western-red-cedar',7112,65024,495808,'rough','rough',2150,0,1,NULL,'2026-11-25 19:48:57.104',NULL),
('47ef36e4-8c7b-4197-a9ab-b4198a0f4ed3',1,'Picket, knot at 31',1,'western-red-cedar',5080,44704,585216,'rough','rough',250,0,1,NULL,'2026-11-25 19:48:57.100',NULL),
('4e011119-dd44-4fa1-bd67-bd332e234361',1,'Half-inch ply',3,'plywood',3810,390144,780288,'planed','planed',5200,0,0,NULL,'2026-11-25 19:48:57.111',NULL),
('55e7ceba-08ea-41d3-9c0c-e9ec8c89d786',1,'Ten-inch cedar',6,'western-red-cedar',6096,75184,780288,'rough','planed',2380,0,1,NULL,'2026-11-25 19:48:57.103',NULL),
('5725f698-f28f-4113-8f2a-acec31e055f1',2,'Ply, corner gone, offcut',1,'plywood',3840,148806,553315,'planed','planed',NULL,1,0,'64b2782d-a4a6-41ef-b1ef-1455e76405df','2026-11-25 19:49:38.994','2026-11-25 19:49:39.792'),
('626d028f-1137-4f3a-9e37-0ae51b4cf380',1,'Ply, corner gone, offcut',1,'plywood',3840,157378,497664,'planed','planed',NULL,1,0,'64b2782d-a4a6-41ef-b1ef-1455e76405df','2026-11-25 19:49:38.992',NULL),
('6c539485-cae9-4b9d-bf60-a875c7bdb980',1,'Two-by-two, spruce',8,'spruce',12192,12192,780288,'planed','planed',420,0,1,NULL,'2026-11-25 19:48:57.106',NULL),
('6cf81267-201c-4343-9ae6-1d7d4fcaf143',1,'Lath',20,'spruce',2032,4064,390144,'rough','planed',60,0,1,NULL,'2026-11-25 19:48:57.107',NULL),
('7d2ec4d9-665c-429d-9373-7a432052fd4a',1,'Ply, corner gone, offcut',1,'plywood',3840,82184,401664,'planed','planed',NULL,1,0,'64b2782d-a4a6-41ef-b1ef-1455e76405df','2026-11-25 19:49:38.993',NULL),
('9b8ef589-5672-4384-a2d7-f392f80c65d6',1,'Picket, split end',1,'western-red-cedar',5080,44704,585216,'rough','rough',220,0,1,NULL,'2026-11-25 19:48:57.101',NULL),
('a79b9c38-2982-43ec-a693-b10de6a1302d',2,'Ply, corner gone',0,'plywood',3840,390400,780800,'planed','planed',4200,0,0,NULL,'2026-11-25 19:48:57.112',NULL),
('bd962aea-758a-4dbd-9c49-eb6dad1f7322',1,'Picket',9,'western-red-cedar',5080,44704,585216,'rough','rough',340,0,1,NULL,'2026-11-25 19:48:57.099',NULL),
('c8d2ddeb-c99b-41ac-9555-42b63d92c252',1,'Roof end',1,'eastern-white-pine',6096,58928,105664,'rough','planed',NULL,1,1,NULL,'2026-11-25 19:48:57.110',NULL),
('d2af9f51-6129-4414-9d4d-a4a672d0d060',1,'Picket end',1,'western-red-cedar',5080,44704,134112,'rough','rough',NULL,1,1,NULL,'2026-11-25 19:48:57.109',NULL),
('dd55fb66-883a-4f37-9511-fa94777fb615',1,'Pallet slat',14,'pallet-wood',7040,30400,368000,'rough','planed',NULL,0,1,NULL,'2026-11-25 19:48:57.105',NULL),
('f27ff134-581f-4a6f-b36e-563a1f4d11fb',1,'Roof board',3,'eastern-white-pine',6096,58928,780288,'rough','planed',1475,0,1,NULL,'2026-11-25 19:48:57.102',NULL);
/*!40000 ALTER TABLE `boards` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `defects`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `defects` (
  `id` int(10) unsigned NOT NULL AUTO_INCREMENT,
  `board_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `position` smallint(5) unsigned NOT NULL,
  `kind` enum('knot-sound','knot-loose','hole','nail','split','rot','wane') NOT NULL,
  `zone` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`zone`)),
  PRIMARY KEY (`id`),
  UNIQUE KEY `defects_board_id_position_unique` (`board_id`,`position`),
  CONSTRAINT `defects_board_id_foreign` FOREIGN KEY (`board_id`) REFERENCES `boards` (`id`) ON DELETE CASCADE
) ENGINE=InnoDB AUTO_INCREMENT=11 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `defects` WRITE;
/*!40000 ALTER TABLE `defects` DISABLE KEYS */;
INSERT INTO `defects` VALUES
(1,'47ef36e4-8c7b-4197-a9ab-b4198a0f4ed3',0,'knot-sound','{\"circle\":[789.940625,66.040625,11.43125]}'),
(2,'9b8ef589-5672-4384-a2d7-f392f80c65d6',0,'split','{\"rect\":[1739.9,45.71875,88.9,30.48125]}'),
(3,'9b8ef589-5672-4384-a2d7-f392f80c65d6',1,'knot-sound','{\"circle\":[558.8,111.759375,8.890625]}'),
(4,'3a321869-831a-4e81-b94c-d7c229b264c4',0,'knot-loose','{\"circle\":[355.6,139.7,12.7]}'),
(5,'3a321869-831a-4e81-b94c-d7c229b264c4',1,'wane','{\"rect\":[0,187.959375,508,15.240625]}'),
(6,'dd55fb66-883a-4f37-9511-fa94777fb615',0,'nail','{\"circle\":[78.740625,25.4,3.046875]}'),
(7,'dd55fb66-883a-4f37-9511-fa94777fb615',1,'nail','{\"circle\":[78.740625,68.58125,3.046875]}'),
(8,'dd55fb66-883a-4f37-9511-fa94777fb615',2,'nail','{\"circle\":[1071.88125,25.4,3.046875]}'),
(9,'dd55fb66-883a-4f37-9511-fa94777fb615',3,'nail','{\"circle\":[1071.88125,68.58125,3.046875]}'),
(10,'a79b9c38-2982-43ec-a693-b10de6a1302d',0,'hole','{\"polygon\":[[2140,0],[2440,0],[2440,260]]}');
/*!40000 ALTER TABLE `defects` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `layouts`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `layouts` (
  `batch_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `layout` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`layout`)),
  `boards` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL COMMENT 'the boards an accepted layout was laid on, as they were' CHECK (json_valid(`boards`)),
  `accepted_at` datetime(3) DEFAULT NULL COMMENT 'null: proposed only, no board is taken',
  PRIMARY KEY (`batch_id`),
  CONSTRAINT `layouts_batch_id_foreign` FOREIGN KEY (`batch_id`) REFERENCES `batches` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `layouts` WRITE;
/*!40000 ALTER TABLE `layouts` DISABLE KEYS */;
INSERT INTO `layouts` VALUES
('27272f98-1c8c-4c6f-9b02-54a503b0c0ac','{\"format\":\"spare-knot/layout\",\"version\":1,\"boards\":[{\"stock\":\"07c9dbee-4d8f-4e19-8445-fd57b33948f2\",\"piece\":0,\"placements\":[{\"part\":\"lid-batten-right\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[{\"rect\":[422.5625,0,2015.8375,38.1]}]},{\"stock\":\"07c9dbee-4d8f-4e19-8445-fd57b33948f2\",\"piece\":1,\"placements\":[{\"part\":\"post-2\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"post-2\",\"copy\":1,\"x\":468.34375,\"y\":0,\"turn\":0,\"flipped\":true},{\"part\":\"post\",\"copy\":0,\"x\":938.671875,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"post\",\"copy\":1,\"x\":1360.965625,\"y\":0,\"turn\":0,\"flipped\":true},{\"part\":\"lid-batten-left\",\"copy\":0,\"x\":1785.24375,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[{\"rect\":[2207.80625,0,230.59375,38.1]}]},{\"stock\":\"626d028f-1137-4f3a-9e37-0ae51b4cf380\",\"piece\":0,\"placements\":[{\"part\":\"roof\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"side-left\",\"copy\":0,\"x\":547.49375,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"back\",\"copy\":0,\"x\":1007.86875,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"floor\",\"copy\":0,\"x\":1288.85625,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"side-right-lower\",\"copy\":0,\"x\":0,\"y\":331.7875,\"turn\":90,\"flipped\":false}],\"offcuts\":[]},{\"stock\":\"5725f698-f28f-4113-8f2a-acec31e055f1\",\"piece\":0,\"placements\":[{\"part\":\"front\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"flap\",\"copy\":0,\"x\":280.9875,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"side-right-upper\",\"copy\":0,\"x\":280.9875,\"y\":203.2,\"turn\":90,\"flipped\":false}],\"offcuts\":[{\"rect\":[741.3625,0,987.746875,465.01875]}]}],\"unplaced\":[],\"cost\":4.2,\"lowerBound\":4.2,\"boundProof\":\"area\",\"optimal\":true,\"yield\":0.8898443124902735,\"seconds\":0.376}',NULL,NULL),
('64b2782d-a4a6-41ef-b1ef-1455e76405df','{\"format\":\"spare-knot/layout\",\"version\":1,\"boards\":[{\"stock\":\"a79b9c38-2982-43ec-a693-b10de6a1302d\",\"piece\":0,\"placements\":[{\"part\":\"back\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"side-left\",\"copy\":0,\"x\":358.775,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"side-right\",\"copy\":0,\"x\":442.4,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"partition\",\"copy\":0,\"x\":526.025,\"y\":0,\"turn\":90,\"flipped\":false},{\"part\":\"roof\",\"copy\":0,\"x\":0,\"y\":754.98125,\"turn\":90,\"flipped\":false},{\"part\":\"front-upper\",\"copy\":0,\"x\":148.915625,\"y\":754.98125,\"turn\":90,\"flipped\":false},{\"part\":\"front-lower\",\"copy\":0,\"x\":507.690625,\"y\":754.98125,\"turn\":0,\"flipped\":false}],\"offcuts\":[{\"rect\":[884.8,260,1555.2,491.80625]},{\"rect\":[884.8,0,1255.2,256.825]},{\"rect\":[710.890625,754.98125,1729.109375,465.01875]}]}],\"unplaced\":[],\"cost\":42,\"lowerBound\":42,\"boundProof\":\"area\",\"optimal\":true,\"yield\":0.79076953989833,\"seconds\":0.52}','[{\"id\":\"a79b9c38-2982-43ec-a693-b10de6a1302d\",\"version\":1,\"name\":\"Ply, corner gone\",\"quantity\":1,\"material\":\"plywood\",\"thickness\":12,\"width\":1220,\"length\":2440,\"faceA\":\"planed\",\"faceB\":\"planed\",\"price\":42,\"offcut\":false,\"grained\":false,\"defects\":[{\"kind\":\"hole\",\"polygon\":[[2140,0],[2440,0],[2440,260]]}],\"fromBatch\":null}]','2026-11-25 19:49:39.001'),
('91bd1a7a-b3db-43c3-bead-96ecb8fc7467','{\"format\":\"spare-knot/layout\",\"version\":1,\"boards\":[{\"stock\":\"55e7ceba-08ea-41d3-9c0c-e9ec8c89d786\",\"piece\":0,\"placements\":[{\"part\":\"front.2\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":true},{\"part\":\"front-rear.2\",\"copy\":0,\"x\":669.925,\"y\":0,\"turn\":0,\"flipped\":true},{\"part\":\"side-left.1\",\"copy\":0,\"x\":1339.85,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"side-right.2\",\"copy\":0,\"x\":1720.85,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":0,\"x\":2101.85,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":1,\"x\":2270.125,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[]},{\"stock\":\"55e7ceba-08ea-41d3-9c0c-e9ec8c89d786\",\"piece\":1,\"placements\":[{\"part\":\"floor-upper.1\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":2,\"x\":669.925,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":3,\"x\":838.2,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"middle\",\"copy\":0,\"x\":1006.475,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"middle\",\"copy\":1,\"x\":1676.4,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[{\"rect\":[0,168.275,2438.4,66.675]}]},{\"stock\":\"55e7ceba-08ea-41d3-9c0c-e9ec8c89d786\",\"piece\":2,\"placements\":[{\"part\":\"floor-upper.2\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":4,\"x\":669.925,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":5,\"x\":838.2,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"floor.1\",\"copy\":0,\"x\":1006.475,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":6,\"x\":1676.4,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":7,\"x\":1844.675,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":8,\"x\":2012.95,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":9,\"x\":2181.225,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[{\"rect\":[0,165.1,2438.4,69.85]}]},{\"stock\":\"55e7ceba-08ea-41d3-9c0c-e9ec8c89d786\",\"piece\":3,\"placements\":[{\"part\":\"front-rear.1\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":true},{\"part\":\"front.1\",\"copy\":0,\"x\":669.925,\"y\":0,\"turn\":0,\"flipped\":true},{\"part\":\"side-right.1\",\"copy\":0,\"x\":1339.85,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":10,\"x\":1720.85,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"partition\",\"copy\":11,\"x\":1889.125,\"y\":0,\"turn\":0,\"flipped\":false},{\"part\":\"side-left.2\",\"copy\":0,\"x\":2057.4,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[]},{\"stock\":\"55e7ceba-08ea-41d3-9c0c-e9ec8c89d786\",\"piece\":4,\"placements\":[{\"part\":\"floor.2\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[{\"rect\":[669.925,0,1768.475,234.95]},{\"rect\":[0,165.1,666.75,69.85]}]},{\"stock\":\"626d028f-1137-4f3a-9e37-0ae51b4cf380\",\"piece\":0,\"placements\":[{\"part\":\"roof\",\"copy\":0,\"x\":0,\"y\":0,\"turn\":0,\"flipped\":false}],\"offcuts\":[{\"rect\":[771.525,0,783.675,491.80625]}]}],\"unplaced\":[],\"cost\":119,\"lowerBound\":119,\"boundProof\":\"area\",\"optimal\":true,\"yield\":0.8583567876109718,\"seconds\":0.128}',NULL,NULL);
/*!40000 ALTER TABLE `layouts` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `migrations`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `migrations` (
  `id` int(10) unsigned NOT NULL AUTO_INCREMENT,
  `name` varchar(255) DEFAULT NULL,
  `batch` int(11) DEFAULT NULL,
  `migration_time` timestamp NULL DEFAULT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB AUTO_INCREMENT=3 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `migrations` WRITE;
/*!40000 ALTER TABLE `migrations` DISABLE KEYS */;
INSERT INTO `migrations` VALUES
(1,'0001-rack-and-batches',1,'2026-11-25 19:48:57'),
(2,'0002-shop',1,'2026-11-25 19:48:57');
/*!40000 ALTER TABLE `migrations` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `migrations_lock`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `migrations_lock` (
  `index` int(10) unsigned NOT NULL AUTO_INCREMENT,
  `is_locked` int(11) DEFAULT NULL,
  PRIMARY KEY (`index`)
) ENGINE=InnoDB AUTO_INCREMENT=2 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `migrations_lock` WRITE;
/*!40000 ALTER TABLE `migrations_lock` DISABLE KEYS */;
INSERT INTO `migrations_lock` VALUES
(1,0);
/*!40000 ALTER TABLE `migrations_lock` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `shop`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `shop` (
  `id` tinyint(3) unsigned NOT NULL,
  `version` int(10) unsigned NOT NULL DEFAULT 1,
  `document` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(`document`)),
  PRIMARY KEY (`id`),
  CONSTRAINT `shop_one_row` CHECK (`id` = 1)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `shop` WRITE;
/*!40000 ALTER TABLE `shop` DISABLE KEYS */;
INSERT INTO `shop` VALUES
(1,2,'{\"bits\":[{\"kind\":\"forstner\",\"diameter\":33}]}');
/*!40000 ALTER TABLE `shop` ENABLE KEYS */;
UNLOCK TABLES;
DROP TABLE IF EXISTS `taken_boards`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `taken_boards` (
  `batch_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `board_id` char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `quantity` int(10) unsigned NOT NULL,
  PRIMARY KEY (`batch_id`,`board_id`),
  KEY `taken_boards_board_id_foreign` (`board_id`),
  CONSTRAINT `taken_boards_batch_id_foreign` FOREIGN KEY (`batch_id`) REFERENCES `layouts` (`batch_id`) ON DELETE CASCADE,
  CONSTRAINT `taken_boards_board_id_foreign` FOREIGN KEY (`board_id`) REFERENCES `boards` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

LOCK TABLES `taken_boards` WRITE;
/*!40000 ALTER TABLE `taken_boards` DISABLE KEYS */;
INSERT INTO `taken_boards` VALUES
('64b2782d-a4a6-41ef-b1ef-1455e76405df','a79b9c38-2982-43ec-a693-b10de6a1302d',1);
/*!40000 ALTER TABLE `taken_boards` ENABLE KEYS */;
UNLOCK TABLES;
/*!40103 SET TIME_ZONE=@OLD_TIME_ZONE */;

/*!40101 SET SQL_MODE=@OLD_SQL_MODE */;
/*!40014 SET FOREIGN_KEY_CHECKS=@OLD_FOREIGN_KEY_CHECKS */;
/*!40014 SET UNIQUE_CHECKS=@OLD_UNIQUE_CHECKS */;
/*!40101 SET CHARACTER_SET_CLIENT=@OLD_CHARACTER_SET_CLIENT */;
/*!40101 SET CHARACTER_SET_RESULTS=@OLD_CHARACTER_SET_RESULTS */;
/*!40101 SET COLLATION_CONNECTION=@OLD_COLLATION_CONNECTION */;
/*!40111 SET SQL_NOTES=@OLD_SQL_NOTES */;

