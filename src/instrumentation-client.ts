import * as z from 'zod';
import { startEarly } from '@/session';

// Next runs this before React takes the page over, which keeps this thread busy for long enough.
z.config({ jitless: true });
startEarly();
