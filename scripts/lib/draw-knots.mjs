import { parentPort, workerData } from 'node:worker_threads';

// A thread that draws the knots tight that it is told, one after the other.

const { CATALOGUE, computeWhole, finer } = await import(workerData.core);

parentPort.on('message', (id) => {
  if (id === null) {
    parentPort.close();
    return;
  }
  const from = performance.now();
  const recipe = CATALOGUE.find((one) => one.id === id);
  const told = workerData.finer ? { numbers: { [id]: finer(recipe) } } : computeWhole(recipe);
  parentPort.postMessage({ id, ...told, ms: performance.now() - from });
});
