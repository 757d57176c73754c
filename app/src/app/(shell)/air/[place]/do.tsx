export { WhatToDo as default } from '@/features/air/WhatToDo';
