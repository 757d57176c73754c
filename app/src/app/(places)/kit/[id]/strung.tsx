export { StrungRoute as default } from '@/moments/strings/routes';
