const { options } = require('./.dependency-cruiser.cjs');

/** Folders of one package stand in one order: none leads back to itself. Tests may look from anywhere. */
module.exports = {
  forbidden: ['core', 'app', 'server'].map((part) => ({
    name: `folders-of-${part}-form-no-circle`,
    severity: 'error',
    scope: 'folder',
    from: { path: `^${part}/src/[^/]+$` },
    to: { circular: true, viaOnly: { path: `^${part}/src/[^/]+$` } },
  })),
  options: { ...options, exclude: { path: '(^|/)(dist|assets|test-results|testing)/|\\.test\\.tsx?$' } },
};
