export { WoodRoute as default } from '@/moments/air/Wood';
