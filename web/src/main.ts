import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import 'vuetify/styles';
import './draw/style.css';
import './draw/controls.css';
import { createPinia } from 'pinia';
import { config } from 'zod';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import { makeVuetify } from './draw/vuetify';

// The content security policy forbids code made from text, which the schema library would otherwise try.
config({ jitless: true });

createApp(App).use(createPinia()).use(router).use(makeVuetify()).mount('#app');
