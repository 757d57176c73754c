export { StartYourOwn as default } from '@/moments/door/StartYourOwn';
