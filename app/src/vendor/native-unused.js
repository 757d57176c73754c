// Lists, switches, pickers, alerts and the like of React Native for the web: the app has none. What wraps something shows that.
export default ({ children }) => children ?? null;
