import './src/vendor/zod-without-eval';
import 'expo-router/entry';
