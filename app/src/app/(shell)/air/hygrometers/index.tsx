export { Hygrometers as default } from '@/features/air/Hygrometers';
