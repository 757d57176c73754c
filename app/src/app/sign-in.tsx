export { SignIn as default } from '@/features/auth/SignIn';
