export { Closing as default } from '@/features/now/Closing';
