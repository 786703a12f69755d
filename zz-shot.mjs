import { chromium } from '@playwright/test';

const [, , out, path, w = '1280', h = '800', ...steps] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const p = await b.newPage({ viewport: { width: +w, height: +h } });
p.on('console', (m) => m.type() === 'error' && console.log('console:', m.text().slice(0, 300)));
p.on('pageerror', (e) => console.log('pageerror:', e.message.slice(0, 300)));
await p.goto('http://127.0.0.1:4891' + path);
await p.waitForTimeout(1500);
for (const s of steps) {
  const [k, ...r] = s.split('=');
  const v = r.join('=');
  if (k === 'type') await p.keyboard.type(v);
  else if (k === 'press') await p.keyboard.press(v);
  else if (k === 'wait') await p.waitForTimeout(+v);
  else if (k === 'click') await p.getByText(v).first().click();
  else if (k === 'button')
    await p
      .getByRole('button', { name: new RegExp(v) })
      .first()
      .click();
  else if (k === 'fill') {
    const [l, t] = v.split('|');
    await p.getByLabel(l).first().fill(t);
  } else if (k === 'goto') await p.goto('http://127.0.0.1:4891' + v);
}
await p.waitForTimeout(500);
await p.screenshot({ path: out });
console.log(p.url());
await b.close();
