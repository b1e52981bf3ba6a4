import { parentPort, workerData } from 'node:worker_threads';

// A thread that draws the knots tight that it is told, one after the other.

const { CATALOGUE, computeNow } = await import(workerData.core);

parentPort.on('message', (id) => {
  if (id === null) {
    parentPort.close();
    return;
  }
  const from = performance.now();
  const numbers = computeNow(CATALOGUE.find((recipe) => recipe.id === id));
  parentPort.postMessage({ id, numbers, ms: performance.now() - from });
});
