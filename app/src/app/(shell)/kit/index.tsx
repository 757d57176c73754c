export { Kit as default } from '@/features/kit/Kit';
