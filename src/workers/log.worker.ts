import { expose } from 'comlink';
import * as z from 'zod';
import { createLogAnswers } from '@/application';

z.config({ jitless: true });

expose(createLogAnswers());
