export { StrungRoute as default } from '@/moments/strings/StrungForm';
