export { WhatToDo as default } from '@/moments/air/WhatToDo';
