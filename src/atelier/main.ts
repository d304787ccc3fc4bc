import '@fontsource-variable/hanken-grotesk/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import '@fontsource-variable/jetbrains-mono/wght.css';
import 'ant-design-vue/dist/reset.css';
import './styles/base.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { showCutWords } from './directives/full-text';
import { nameDirective } from './directives/name';
import { takesDirective } from './intake/drop-spots';
import { router } from './router';

showCutWords(document);
createApp(App)
  .use(createPinia())
  .use(router)
  .directive('name', nameDirective)
  .directive('takes', takesDirective)
  .mount('#app');
