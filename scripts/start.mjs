import { install, run } from './install.mjs';

install();
run('npx vite build web --logLevel warn');
run('node --import=tsx server/src/main.ts');
