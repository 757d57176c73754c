import { View } from 'react-native';
import Button from '@rneui/themed/dist/Button';
import Input from '@rneui/themed/dist/Input';
import { ThemeProvider } from '@rneui/themed/dist/config';
import Svg, { Path } from 'react-native-svg';
export default function H() { return <ThemeProvider><View><Button title="x" /><Input /><Svg><Path d="M0 0" /></Svg></View></ThemeProvider>; }
