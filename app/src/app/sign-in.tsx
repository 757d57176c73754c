export { SignIn as default } from '@/moments/door/SignIn';
