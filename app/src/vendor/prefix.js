// Browsers of today want one of the styles the app is drawn with under another name: Safari, of what can be selected.
export default function prefix(styles) {
  const { userSelect } = styles;
  return userSelect === undefined ? styles : { ...styles, WebkitUserSelect: userSelect };
}
