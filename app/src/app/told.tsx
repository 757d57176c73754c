export { AnswerByLink as default } from '@/features/account/routes';
