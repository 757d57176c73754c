export { Hygrometers as default } from '@/features/air/routes';
