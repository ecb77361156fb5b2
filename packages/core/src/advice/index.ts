export { findWood, woodGroups } from './find-wood.js';
export { type FitOffer, type FitQuestion, fitOffers } from './fit.js';
export { type LumberOffer, lumberOffers } from './lumber.js';
