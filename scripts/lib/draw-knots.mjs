import { parentPort, workerData } from 'node:worker_threads';

// A thread that draws the knots tight that it is told, one after the other.

const { CATALOGUE, computeNow, finer } = await import(workerData.core);

parentPort.on('message', (id) => {
  if (id === null) {
    parentPort.close();
    return;
  }
  const from = performance.now();
  const recipe = CATALOGUE.find((one) => one.id === id);
  const numbers = workerData.finer ? { [id]: finer(recipe) } : computeNow(recipe);
  parentPort.postMessage({ id, numbers, ms: performance.now() - from });
});
