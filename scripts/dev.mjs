import { install, run } from './install.mjs';

install();
run('npx vite web');
