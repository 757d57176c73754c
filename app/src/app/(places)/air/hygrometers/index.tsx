export { Hygrometers as default } from '@/moments/air/Hygrometers';
