import base from './playwright.config';
export default { ...base, timeout: 60_000, expect: { timeout: 10_000 } };
