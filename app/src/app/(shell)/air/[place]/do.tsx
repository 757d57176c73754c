export { WhatToDo as default } from '@/features/air/routes';
