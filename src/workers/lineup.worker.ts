import { expose } from 'comlink';
import { z } from 'zod';
import { answerLineup, answerRivals } from './answerLineup';

z.config({ jitless: true });

const service = { answer: answerLineup, rivals: answerRivals };
export type LineupService = typeof service;

expose(service);
