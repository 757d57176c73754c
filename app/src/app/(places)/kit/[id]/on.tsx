export { StringsRoute as default } from '@/moments/strings/StringsScreen';
