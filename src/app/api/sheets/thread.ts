/** Requests of the sheets' door in a thread, one after the other. */
import { parentPort } from 'node:worker_threads';
import { answer, type Asked } from './answer';

parentPort!.on('message', (asked: Asked) => void answer(asked).then((a) => parentPort!.postMessage(a)));
