/** Pictures as setups take them: subjects, ground and light, drawn from the core's figures. */
export { figureOf } from './figureOf';
export { type From, Photo, shotAt } from './Photo';
export { Scenery } from './Scenery';
export { type Mood, moodOf } from './tones';
