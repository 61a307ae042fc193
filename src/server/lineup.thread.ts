import { parentPort } from 'node:worker_threads';
import { replyTo } from './lineupReply';
import type { LineupTask } from './lineupPool';

parentPort?.on('message', (task: LineupTask) => {
  void replyTo(task).then((reply) => parentPort?.postMessage(reply));
});
