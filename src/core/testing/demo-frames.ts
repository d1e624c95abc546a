import { DEMO } from './demo-catalogue';

const [sheet] = DEMO.frameSheets ?? [];
if (!sheet) throw new Error('the demo catalogue has no transit frames');

/** The transit frames of the shipped catalogue: seven plain sizes and two that stand in rounded corners; single, double and triple, three heights. */
export const DEMO_SHEET = sheet;
export const DEMO_MODULES = sheet.modules;
export const DEMO_FRAMES = sheet.frames;
