import { expose } from 'comlink';
import { z } from 'zod';
import { createLogAnswers } from '@/application';

z.config({ jitless: true });

expose(createLogAnswers());
