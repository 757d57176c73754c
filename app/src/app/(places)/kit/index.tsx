export { Kit as default } from '@/moments/kit/Kit';
