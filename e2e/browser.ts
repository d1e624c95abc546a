import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, logging, type WebDriver } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome';

export interface Browser {
  readonly driver: WebDriver;
  /** Messages of level SEVERE since the last call: script errors, failed requests. */
  readonly consoleErrors: () => Promise<string[]>;
  readonly resize: (width: number, height: number, touch?: boolean) => Promise<void>;
  /** As on a tablet: a finger instead of a mouse. */
  readonly finger: (on: boolean) => Promise<void>;
  readonly close: () => Promise<void>;
}

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--force-color-profile=srgb',
  '--hide-scrollbars',
];

/** Debian's Chromium with a profile of its own, nothing of which is left behind. Downloads go to `downloads`. */
export async function openBrowser(downloads?: string): Promise<Browser> {
  const profile = mkdtempSync(join(tmpdir(), 'amber-collar-browser-'));
  const options = new chrome.Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.addArguments(...FLAGS, `--user-data-dir=${profile}`);
  if (downloads)
    options.setUserPreferences({
      'download.default_directory': downloads,
      'plugins.always_open_pdf_externally': true,
    });
  const prefs = new logging.Preferences();
  prefs.setLevel(logging.Type.BROWSER, logging.Level.ALL);
  options.setLoggingPrefs(prefs);
  const driver = (await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
    .build()) as chrome.Driver;
  const resize = async (width: number, height: number, touch = false) => {
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      deviceScaleFactor: 1,
      mobile: touch,
    });
  };
  await resize(1280, 800);
  return {
    driver,
    resize,
    finger: async (on) => {
      await driver.sendDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: on });
      await resize(1280, 800, on);
    },
    consoleErrors: async () => {
      const entries = await driver.manage().logs().get(logging.Type.BROWSER);
      return entries.filter((e) => e.level.value >= logging.Level.SEVERE.value).map((e) => e.message);
    },
    close: async () => {
      await driver.quit();
      rmSync(profile, { recursive: true, force: true });
    },
  };
}
