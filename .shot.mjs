import { chromium } from '@playwright/test';
const [,, path='/elevations', out='/tmp/a.png', rig='', w='1280', h='800', theme='bench', act=''] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' , args:['--no-sandbox']});
const c = await b.newContext({ viewport: { width: +w, height: +h }, colorScheme: theme==='set'?'dark':'light' });
const p = await c.newPage();
p.on('pageerror', e => console.log('ERR', e.message)); p.on('console', m => m.type()==='error' && console.log('CON', m.text().slice(0,300)));
await p.goto('http://localhost:4300/jobs'); await p.waitForSelector('[data-ready=true]');
await p.goto('http://localhost:4300'+path); await p.waitForSelector('[data-ready=true]');
await p.waitForTimeout(800);
if (rig) { await p.getByRole('button',{name:/^Rig: /}).click(); await p.getByRole('option',{name:new RegExp(rig)}).click(); await p.waitForTimeout(600); if (path!=='/') { await p.getByRole('link',{name:'Elevations'}).click(); await p.waitForTimeout(900);} }
if (act) { for (const a of act.split('|')) await eval(`(async()=>{${a}})()`); await p.waitForTimeout(500); }
await p.waitForTimeout(1500);
await p.screenshot({ path: out }); await b.close();
