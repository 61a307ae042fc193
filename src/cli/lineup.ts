import { answerInFull } from '@/application';
import { answerFile } from './answerFile';

/** `lineup FILE`: prints the best lineup of an outing file as JSON. */
process.exitCode = await answerFile('lineup', answerInFull);
