import { answerDay } from '@/application';
import { answerFile } from './answerFile';

/** `carry FILE`: prints the plan of carrying of an outing file as JSON. */
process.exitCode = await answerFile('carry', answerDay);
