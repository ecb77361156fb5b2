export { type AssemblyRound, assemblyRounds, type RoundPanel } from './assembly-round.js';
export { bucketJob, bucketSteps, wantedOf } from './bucket.js';
export { type Become, couldBecome, panelsOn, scrapJob, type WantedPanel } from './could-become.js';
export { type PanelWood, woodOfPanel } from './panel-wood.js';
export { type BinPanel, type UsefulSpare, usefulSpares } from './useful-spares.js';
export { type KeptPlan, type NamedPanel, wantedPanels } from './wanted.js';
