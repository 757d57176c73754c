declare module '@/vendor/zod-real';
