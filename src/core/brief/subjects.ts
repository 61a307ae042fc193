/**
 * Everyday subjects with their usual sizes, m. All are starting values for the person to edit.
 *
 * Common practice, no source: rounded sizes of common things.
 */
export const SUBJECTS = [
  { key: 'headAndShoulders', widthM: 0.55, heightM: 0.6 },
  { key: 'standingPerson', widthM: null, heightM: 1.8 },
  { key: 'couple', widthM: 1.2, heightM: 1.8 },
  { key: 'groupOfTen', widthM: 3.6, heightM: 2 },
  { key: 'crowd', widthM: 12, heightM: null },
  { key: 'smallBird', widthM: 0.14, heightM: 0.12 },
  { key: 'largeBird', widthM: 0.9, heightM: 0.8 },
  { key: 'smallMammal', widthM: 0.35, heightM: 0.25 },
  { key: 'largeMammal', widthM: 2.2, heightM: 1.5 },
  { key: 'rowingShell', widthM: 12, heightM: null },
  { key: 'boat', widthM: 8, heightM: 3 },
  { key: 'vehicle', widthM: 4.5, heightM: 1.5 },
  { key: 'smallAircraft', widthM: 10, heightM: 3 },
  { key: 'largeAircraft', widthM: 60, heightM: 16 },
  { key: 'hall', widthM: 18, heightM: 7 },
  { key: 'buildingFront', widthM: 25, heightM: 15 },
  { key: 'hands', widthM: 0.3, heightM: 0.22 },
  { key: 'ring', widthM: 0.03, heightM: 0.02 },
] as const;

export type SubjectKey = (typeof SUBJECTS)[number]['key'];
export const SUBJECT_KEYS = SUBJECTS.map((s) => s.key);
