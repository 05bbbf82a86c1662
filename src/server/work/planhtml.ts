import { html, raw } from 'hono/html';
import {
  cautionsOf,
  factsOf,
  figuresOf,
  lastChanceWords,
  minutesWords,
  partNames,
  SECTION_WORDS,
  STATION_WORDS,
  stepWords,
} from '../../contract/words/index.ts';
import { doneIn } from '../../core/bench/index.ts';
import { type Computed, planOf } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { layersOf as drafted, openedOut, panelEdges, panelRings } from '../../core/garment/index.ts';
import { mapPath } from '../../core/geometry/index.ts';
import { pathData, ringsData } from '../../core/output/svg.ts';
import { lastChances, layersOf, litOf, type Plan, type PlanStep } from '../../core/plan/index.ts';
import { type Answered } from './ask.ts';
import { noPlan } from './noplan.ts';
import { PLAN_SCRIPT, PLAN_STYLE } from './planpage.ts';
import { slug } from './slug.ts';

type Html = ReturnType<typeof html>;

/** JSON within a page: nothing in it ends the element it stands in. */
const inPage = (v: unknown): ReturnType<typeof raw> => raw(JSON.stringify(v).replace(/</g, '\\u003c'));

/** The garment laid open, seen from the inside, every edge by its key so that a step can light it. */
function mapOf(x: Computed): Html | '' {
  const opened = openedOut(x.surface);
  if (!opened) return '';
  const { minX, minY, maxX, maxY } = opened.box;
  const pad = (maxX - minX) * 0.02;
  const inside = drafted(
    opened,
    x.shell,
    x.inside.filter((q) => q.material === 'lining' || q.material === 'facing'),
  );
  const shapes = opened.panels.map(
    (o) =>
      `<path class="panel" d="${ringsData(panelRings(o.panel).map((ring) => ring.flatMap((e) => mapPath(e.path, o.motion))))}"/>`,
  );
  const edge = (key: string, d: string): string => `<path class="edge" data-edge="${key}" d="${d}"/>`;
  const edges = [
    ...opened.panels.flatMap((o) =>
      panelEdges(o.panel).map((e) => edge(`${o.panel.piece}/${e.edge}`, pathData(mapPath(e.path, o.motion)))),
    ),
    ...inside.flatMap((l) => l.edges.map((e) => edge(`${l.piece.id}/${e.edge}`, pathData(e.path)))),
  ];
  const box = `${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`;
  return html`<svg id="map" viewBox="${box}" role="img" aria-label="The garment laid open, seen from the inside">
${raw([...shapes, ...edges].join('\n'))}
</svg>
<p class="quiet">Laid open, seen from the inside. Red: this step. Green: what is ticked.</p>`;
}

/** How the layers of a step lie, as data for the drawing that turns. */
function layersData(s: PlanStep, plan: Plan, names: Record<string, string>): unknown {
  const l = layersOf(s, plan);
  return (
    l && {
      rows: Math.max(l.before.length, ...l.after.map((a) => a.length)),
      bars: l.turned.map(({ ply, from, to, halves }) => ({
        ...{ from, to: to.place, halves, up: ply.up, of: ply.material },
        name: `${(names[ply.part] ?? ply.part).slice(0, 26)}${ply.hem ? ', hem' : ''}`,
      })),
    }
  );
}

interface Page {
  doc: ProjectDocument;
  plan: Plan;
  names: Record<string, string>;
  cautions: Map<string, string[]>;
}

function stepOf({ doc, plan, names, cautions }: Page, s: PlanStep, i: number): Html {
  const { units } = doc;
  const { title, how, check, slip } = stepWords(s, units, names);
  const facts = factsOf(s, units, true);
  const layers = layersData(s, plan, names);
  const head = plan.steps[i - 1]?.section !== s.section ? html`<h2>${SECTION_WORDS[s.section]}</h2>` : '';
  return html`${head}
<article class="step" data-step="${s.id}" data-lit="${JSON.stringify([...litOf(s, plan.making)])}" tabindex="-1">
<label><input type="checkbox" data-tick="${s.id}"><b>${s.number}. ${title}</b></label>
<p class="quiet">${STATION_WORDS[s.station]} · ${minutesWords(s.minutes)}</p>
${how ? html`<p class="how">${how}</p>` : ''}
<dl>${figuresOf(s, units).map((f) => html`<div><dd>${f.value}</dd><dt>${f.words}</dt></div>`)}</dl>
${facts.length ? html`<p>${facts.join(' · ')}</p>` : ''}
${check ? html`<p>Look first: ${check}.</p>` : ''}
${layers ? html`<figure class="layers" data-layers="${JSON.stringify(layers)}"></figure>` : ''}
${slip ? html`<p class="quiet">The usual slip: ${slip}</p>` : ''}
${cautions.get(s.id)?.length ? html`<p class="care">${cautions.get(s.id)?.join(' ')}</p>` : ''}
</article>`;
}

/** The plan as one page with everything in it: drawings, layers that turn, ticks kept in the browser it is opened in. */
export async function planHtml(x: Computed, doc: ProjectDocument): Promise<Answered> {
  const made = planOf(doc, x);
  if (!made.ok) return noPlan();
  const plan = made.value;
  const names = partNames(plan.making, x.pieces);
  const page: Page = { doc, plan, names, cautions: cautionsOf(plan.steps) };
  const chances = lastChances(plan.steps, plan.making).map((c) => lastChanceWords(c, doc.units, names));
  const body = await html`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${doc.name}: in what order</title>
<style>${raw(PLAN_STYLE)}</style>
</head>
<body>
<header><h1>${doc.name}</h1><p>${plan.steps.length} steps, about ${minutesWords(plan.minutes)}. <span id="far"></span></p></header>
<main>
<section id="seen" aria-label="Where it is">${mapOf(x)}
<p class="big" id="now"></p>
<p><button id="back">Back</button> <button id="done">Done</button></p>
<p class="quiet" id="kept"></p>
</section>
<section id="steps">
${chances.length ? html`<details><summary>The last chance to change it</summary><ul>${chances.map((c) => html`<li>${c.what}: ${c.until}; ${c.after}.</li>`)}</ul></details>` : ''}
${plan.steps.map((s, i) => stepOf(page, s, i))}
</section>
</main>
<script type="application/json" id="begun">${inPage({ name: doc.name, done: [...doneIn(doc.decisions.bench)] })}</script>
<script>${raw(PLAN_SCRIPT)}</script>
</body>
</html>`;
  return { status: 200, type: 'text/html; charset=utf-8', body: String(body), name: `${slug(doc.name)}-plan.html` };
}
