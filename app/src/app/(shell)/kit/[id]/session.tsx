export { SessionScreen as default } from '@/features/kit/SessionScreen';
