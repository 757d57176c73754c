export { SessionScreen as default } from '@/moments/kit/SessionScreen';
