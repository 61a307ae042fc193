/** Stand-ins that are made on the spot: a memory card of the demo outing, and an archive of a year. */
export { ARCHIVE_PHOTOS, simulatedArchive } from './archive';
export { type CardFile, type Intent, simulatedCard, type SimulatedCard } from './card';
export { type Season, simulatedYear } from './year';
