import { expose } from 'comlink';
import * as z from 'zod';
import { carryAnswer, packBag } from '@/core/carry';
import { loadHighsSolver } from '@/solver';
import {
  answerAlternatives,
  answerScenario,
  answerProfiles,
  answerRoom,
  answerNext,
  answerWorthKnowing,
  rememberingGear,
} from '@/application';

// The solver takes longest to be ready, and whatever is asked first will want it.
void loadHighsSolver();
z.config({ jitless: true });

const service = {
  warm: async () => void (await loadHighsSolver()),
  answer: rememberingGear(),
  rivals: answerAlternatives,
  carry: carryAnswer,
  bag: packBag,
  scenario: answerScenario,
  profiles: answerProfiles,
  worthKnowing: answerWorthKnowing,
  room: answerRoom,
  next: answerNext,
};
export type LineupService = typeof service;

expose(service);
