// Of the router's hooks the one it uses itself.
export { useRouter } from 'expo-router/build/hooks/useRouter';
