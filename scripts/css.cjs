// Class names of CSS modules under test: every class is called by its own name.
module.exports = new Proxy({}, { get: (_target, name) => (name === '__esModule' ? false : String(name)) });
