import { expose } from 'comlink';
import { z } from 'zod';
import { answerLineup, answerRivals, answerSchools } from './answerLineup';

z.config({ jitless: true });

const service = { answer: answerLineup, rivals: answerRivals, schools: answerSchools };
export type LineupService = typeof service;

expose(service);
