import { createServer } from 'node:http';
import { join } from 'node:path';
import { createApp } from './create-app.ts';

const root = join(import.meta.dirname, '../../web/dist');
const port = Number(process.env['PORT'] ?? 4280);
const app = createApp({ root, report: error => console.error(error) });
const server = createServer(app.callback());

server.on('error', (error: NodeJS.ErrnoException) => {
  const taken = error.code === 'EADDRINUSE';
  console.error(
    taken ? `Port ${port} is taken. Start with another, for instance: PORT=4281 npm start` : error.message,
  );
  process.exit(1);
});
server.listen(port, () => console.log(`Tesseron is at http://localhost:${port}/`));
