export { Keeping as default } from '@/moments/air/Keeping';
