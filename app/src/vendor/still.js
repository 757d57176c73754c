// In place of a library of animation: nothing moves by one. The widgets' fields would shake by it where they are asked to.
import View from 'react-native-web/dist/exports/View';

class Value {
  setValue() {}
  interpolate() {
    return 0;
  }
}
const finished = { start: (done) => done?.({ finished: true }), stop: () => undefined };

export default { Value, View, timing: () => finished };
