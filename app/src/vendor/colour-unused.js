// Shades the widgets work out for themselves and the app never shows: it gives them all of their colours.
const same = () => shade;
const string = () => 'transparent';
const shade = { alpha: same, lighten: same, darken: same, rgb: same, string, toString: string };

export default () => shade;
