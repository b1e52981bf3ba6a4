import { readConfig } from './config/config.js';
import { createApp } from './create-app.js';
import { sayStartFailure } from './config/start-failure.js';

try {
  const config = readConfig(process.env);
  const app = await createApp(config);
  await app.listen(config.port, config.host);
  const address = `http://${config.host}:${config.port}`;
  process.send?.({ ready: address });
} catch (error) {
  const words = sayStartFailure(error, process.env);
  process.send?.({ failed: words });
  process.stderr.write(`${words}\n`);
  process.exitCode = 1;
  // Open handles of a half-started application must not keep the process alive.
  setTimeout(() => process.exit(1), 200).unref();
}
