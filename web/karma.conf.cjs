process.env.CHROME_BIN ??= '/usr/bin/chromium';

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
    singleRun: true,
  });
};
