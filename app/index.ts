import 'expo-router/entry';
