/** What is said by app. */
export const appText = {
  outingSchema: 'Arm Reach outing',
  layout: {
    armReach: 'Arm Reach',
    sArmReach: '%s · Arm Reach',
    theFewestLensesThatGet: 'The fewest lenses that get every wanted picture of an outing, proven.',
  },
  manifest: {
    armReach: 'Arm Reach',
    theFewestLensesThatGet: 'The fewest lenses that get every wanted picture of an outing, proven.',
  },
};
