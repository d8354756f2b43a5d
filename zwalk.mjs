import { chromium } from 'playwright-core';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic','--disable-background-networking'] });
const A='http://127.0.0.1:4977';
const board = await (await fetch(A+'/api/v1/board')).json();
const c = board.clocks.find(c=>c.areaName==='Hull outside');
for (const [n,w,h] of [['p',390,844],['d',1280,800]]) {
  const page = await b.newPage({ viewport: { width: w, height: h } });
  await page.goto(A+'/bench/'+c.areaId); await page.waitForTimeout(3000);
  if(n==='p'){console.log((await page.locator('nav[aria-label="Steps of this coat"]').innerText().catch(()=>'no nav')));}
  await page.locator('nav[aria-label="Steps of this coat"]').getByText('Apply',{exact:false}).first().click().catch(e=>console.log(String(e).slice(0,200)));
  await page.waitForTimeout(800);
  await page.getByRole('button',{name:'Section 1 of'}).click(); await page.getByRole('button',{name:'Section 2 of'}).click(); await page.waitForTimeout(500);
  await page.locator('#sections').scrollIntoViewIfNeeded();
  await page.evaluate(()=>document.getElementById('sections').scrollIntoView({block:'start'})); await page.evaluate(()=>window.scrollBy(0,-90));
  await page.waitForTimeout(400);
  await page.screenshot({ path: `/tmp/sec-${n}.png` });
  await page.getByRole('button',{name:'Section 1 of'}).click(); await page.getByRole('button',{name:'Section 2 of'}).click(); await page.waitForTimeout(500);
  await page.close();
}
await b.close();
