// Loaded before the server of a test: tells what its memory holds once what nothing needs has been collected.
process.on('message', () => {
  globalThis.gc();
  const { heapUsed, external } = process.memoryUsage();
  process.send((heapUsed + external) / 1e6);
});
process.channel.unref();
