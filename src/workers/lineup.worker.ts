import { expose } from 'comlink';
import { z } from 'zod';
import { answerLineup } from './answerLineup';

z.config({ jitless: true });

const service = { answer: answerLineup };
export type LineupService = typeof service;

expose(service);
