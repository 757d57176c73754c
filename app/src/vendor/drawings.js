// In place of the library of drawings' elements for browsers: as it draws them, of what drawings here are given. A transform is written as
// text; nothing is measured, moved past React, or read from elsewhere; and of its elements those that are drawn.
import { createElement } from 'react';
import styled from 'react-native-web/dist/exports/createElement';

const shape =
  (tag) =>
  ({ onPress, ...props }) =>
    createElement(tag, onPress ? { ...props, onClick: onPress } : props);

export const Circle = shape('circle');
export const Defs = shape('defs');
export const Ellipse = shape('ellipse');
export const G = shape('g');
export const Line = shape('line');
export const Path = shape('path');
export const Pattern = shape('pattern');
export const Rect = shape('rect');
export const Svg = (props) => styled('svg', props);
export const Text = ({ fontFamily, fontSize, ...props }) =>
  styled('text', { ...props, style: { fontFamily, fontSize } });
export default Svg;
