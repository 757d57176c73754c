// In place of the icons' library's own way of drawing one: as it draws, by size and colour alone.
import { createElement } from 'react';
import Svg from './drawings';

const LINE = { fill: 'none', strokeWidth: 2, strokeLinecap: 'round', strokeLinejoin: 'round' };

const createIcon =
  ({ node }) =>
  ({ size = 24, color = 'currentColor', ...rest }) =>
    createElement(
      Svg,
      { ...LINE, width: size, height: size, viewBox: '0 0 24 24', stroke: color, ...rest },
      node.map(([tag, props]) => createElement(tag, props)),
    );
export default createIcon;
