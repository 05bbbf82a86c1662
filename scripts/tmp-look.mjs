import { chromium } from '@playwright/test';
import { CHROMIUM } from './tools.mjs';
const b = await chromium.launch({ executablePath: CHROMIUM, args: ['--headless','--no-sandbox','--disable-gpu'] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
p.on('pageerror', (e) => console.log('ERR', e.message));
const base='http://127.0.0.1:4871';
const r = await p.request.post(base+'/api/projects',{data:{name:'Big',garment:'coat'}}); const id=(await r.json()).id;
await p.goto(base+'/'); await p.getByText('Big',{exact:true}).first().click(); await p.waitForTimeout(800);
console.log(p.url());
await p.evaluate(()=>{window.__long=[];new PerformanceObserver(l=>{for(const e of l.getEntries())window.__long.push([Math.round(e.startTime),Math.round(e.duration)])}).observe({entryTypes:['longtask']})});
const t=Date.now();
await p.setInputFiles('input[type=file]', process.argv[2]);
await p.waitForTimeout(Number(process.argv[3]??900)); await p.screenshot({path:'/tmp/s1.png'});
if(process.argv[4]==='stop'){ await p.getByRole('button',{name:'Stop'}).click(); await p.waitForTimeout(600); await p.screenshot({path:'/tmp/s2.png'}); await b.close(); process.exit(); }
await p.getByText('Name of this piece').waitFor({timeout:60000}); console.log('shown after',Date.now()-t); await p.waitForTimeout(1500); await p.screenshot({path:'/tmp/s2.png'});
console.log(JSON.stringify(await p.evaluate(()=>window.__long)));
await b.close();
