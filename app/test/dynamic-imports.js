/** Files that are loaded when they are used are required then: the test runner has no loader of its own for them. */
module.exports = ({ template }) => {
  const required = template.expression('Promise.resolve().then(() => require(FILE))');
  return {
    visitor: {
      CallExpression(path) {
        if (path.node.callee.type === 'Import') path.replaceWith(required({ FILE: path.node.arguments[0] }));
      },
    },
  };
};
