export { ChangeRoute as default } from '@/moments/strings/ChangeRoute';
