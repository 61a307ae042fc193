/** What is said of the made-up year, and what its outings are called. */
export const seasonText = {
  reeds: 'Two mornings in the reeds',
  reedsPlace: 'Reed lake at Sallowmere',
  rite: 'A rite in the long barn',
  ritePlace: 'Long barn at Sallowmere',
  riteLessons:
    'From the gallery the 85 was long enough for the walk out, and too short for faces. Three people who stay where they are need three places: agree on them before the doors open.',
  stars: 'Stars over the weir',
  starsPlace: 'The weir above Ostrel',
  enter: 'Look through a whole year',
  action: 'A made-up photographer’s year',
  isSeason:
    'This is a made-up photographer’s year. Nothing here is yours; what you change stays here.',
  leave: 'Leave it',
  leaveAction: 'Leave the made-up year',
  couldnt: 'The year can’t be shown: this browser doesn’t store it. Try again.',
};
