export { Closing as default } from '@/moments/now/Closing';
