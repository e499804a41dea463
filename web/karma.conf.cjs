process.env.CHROME_BIN ??= '/usr/lib/chromium/chromium-headless-shell';

module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    reporters: ['dots'],
    browsers: ['ChromiumHere'],
    customLaunchers: {
      ChromiumHere: {
        base: 'ChromeHeadless',
        flags: [
          '--headless',
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
          '--disable-dev-shm-usage',
        ],
      },
    },
    // Angular warns of every path that is a key of a form's record: they are looked up by key, never by path.
    browserConsoleLogOptions: { level: 'error', terminal: true },
    singleRun: true,
  });
};
