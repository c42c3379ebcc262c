/** One request of the sheets' door in a thread of its own. */
import { parentPort, workerData } from 'node:worker_threads';
import { answer, type Asked } from './answer';

void answer(workerData as Asked).then((a) => parentPort!.postMessage(a));
