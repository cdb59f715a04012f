import { build, freePort, install, serve } from './steps.mjs';

/** Installs what is missing, builds what has changed, starts with the demo data. */
if (!install() || !build()) process.exit(1);
const port = await freePort(Number(process.env.PORT) || 4170);
const { server, address } = await serve(port);
console.log(`\nNelvix is at ${address}\nStop it with Ctrl+C.`);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.kill(signal);
    process.exit(0);
  });
server.on('exit', (code) => process.exit(code ?? 0));
