export { KitBeside as default } from '@/features/kit/KitBeside';
