module.exports = async () => {
  globalThis.__server?.kill();
};
