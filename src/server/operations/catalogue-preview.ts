import { hashOf, ok, refuse, type Result } from '@/core/kernel';
import {
  CATALOGUE_FORMAT,
  diffFamilies,
  sheetsInForce,
  isLaterSheet,
  missingForProcedure,
  SIZE_COLUMNS,
  sizeTable,
  type Family,
} from '@/core/catalogue';
import { writeCsv } from '@/formats/csv/write';
import { judge, type CatalogueView } from '@/core/gland-selection';
import { compareDecisions, planTermination } from '@/core/procedure';
import type { CataloguePreview, PlanEffect } from '@/core/termination-view';
import { database, loadCatalogue, loadTerminations, plansOfFamily, type Tx } from '@/data';
import { guarded } from '../guard';
import { catalogueView, type Assessment } from './assess';
import { readUpload } from './catalogue';
import { partsOfSheet, sheetsOfFile, storedSheets, type SheetInFile } from './catalogue-sheets';
import { whyNot } from './gland-selection';
import { assessMany, requireJob } from './load';

/**
 * What a file would bring in, before anything is stored: each family new, equal or a new revision with every figure that differs, and the
 * plans that would come out otherwise when they are made again. Plans keep their revision until then.
 */
export function previewCatalogue(text: string, now: Date): Promise<Result<CataloguePreview>> {
  return guarded<CataloguePreview>(async () => {
    const tx = database();
    const stored = await loadCatalogue(tx);
    const inForce = stored.families.map((f) => f.family);
    const read = readUpload(text, inForce, now.toISOString().slice(0, 10));
    if (!read.ok) return read;
    const view = catalogueView(stored);
    const there = storedSheets({ frames: stored.frameSheets, seals: stored.seals });
    const families: CataloguePreview['families'][number][] = [];
    for (const family of read.value.families) {
      const before = inForce.find((f) => f.code === family.code) ?? null;
      const leads = before === null || isLaterSheet(family.sheet, before.sheet);
      families.push({
        code: family.code,
        title: family.title,
        revision: family.sheet.revision,
        before: before === null ? null : before.sheet.revision,
        leads,
        sizes: family.sizes.length,
        missing: missingForProcedure(family).map((m) => `${m.path}: ${m.message}`),
        diff: before === null ? null : diffFamilies(before, family),
        plans: before !== null && leads ? await effects(tx, family, view) : [],
      });
    }
    return ok({
      name: read.value.name,
      families,
      sheets: sheetsOfFile(read.value).map((s) => sheetChange(s, there)),
      parts: read.value.adaptors.length + read.value.accessories.length + (read.value.compounds ?? []).length,
    });
  });
}

/** What a sheet of crossings would change. Crossings keep the revision they stand on. */
function sheetChange(
  { kind, words, sheet }: SheetInFile,
  there: readonly SheetInFile[],
): CataloguePreview['sheets'][number] {
  const all = there.filter((s) => s.kind === kind).map((s) => s.sheet);
  const same = all.find((s) => s.code === sheet.code && s.sheet.revision === sheet.sheet.revision);
  const before = sheetsInForce(all).find((s) => s.code === sheet.code) ?? null;
  const now = partsOfSheet(sheet);
  const then = before === null ? new Map<string, string>() : partsOfSheet(before);
  return {
    words,
    code: sheet.code,
    title: sheet.sheet.title,
    revision: sheet.sheet.revision,
    before: before?.sheet.revision ?? null,
    state: same === undefined ? 'new' : hashOf(same) === hashOf(sheet) ? 'there' : 'clash',
    leads: before === null || isLaterSheet(sheet.sheet, before.sheet),
    parts: now.size,
    added: before === null ? [] : [...now.keys()].filter((id) => !then.has(id)),
    gone: [...then.keys()].filter((id) => !now.has(id)),
    changed: [...now].flatMap(([id, body]) => (then.has(id) && then.get(id) !== body ? [id] : [])),
  };
}

async function effects(tx: Tx, family: Family, view: CatalogueView): Promise<PlanEffect[]> {
  const standing = await plansOfFamily(tx, family.code);
  const found: PlanEffect[] = [];
  for (const slug of new Set(standing.map((s) => s.job))) {
    const job = await requireJob(tx, slug);
    if (!job.ok) continue;
    const ids = standing.filter((s) => s.job === slug).map((s) => s.terminationId);
    const assessments = await assessMany(tx, job.value, await loadTerminations(tx, ids));
    for (const a of assessments) {
      const effect = effectOn(a, family, view);
      if (effect !== null) found.push({ job: slug, tag: a.tag, ...effect });
    }
  }
  return found;
}

function effectOn(
  a: Assessment,
  family: Family,
  view: CatalogueView,
): Pick<PlanEffect, 'refusal' | 'changed'> | null {
  if (a.plan === null || a.request === null) return null;
  const code = a.plan.plan.size;
  const size = family.sizes.find((s) => s.code === code);
  if (!size) return { refusal: `${code} is not in this revision`, changed: [] };
  const candidate = judge(a.request.input, family, size, view);
  const refusal = whyNot(candidate);
  if (refusal !== null) return { refusal, changed: [] };
  const { changed } = compareDecisions(
    a.plan.plan.decisions,
    planTermination(a.request, candidate).decisions,
  );
  // The line that names the revision changes by itself; it says nothing about the work.
  const real = changed.filter((c) => c.id !== 'size');
  return real.length === 0 ? null : { refusal: null, changed: real };
}

/** The catalogue in force as a file that can be taken in elsewhere. */
export function exportCatalogue(now: Date): Promise<Result<string>> {
  return guarded<string>(async () => {
    const stored = await loadCatalogue(database());
    const file = {
      format: CATALOGUE_FORMAT,
      name: 'Catalogue in force',
      issued: now.toISOString().slice(0, 10),
      families: stored.families.map((f) => f.family),
      adaptors: stored.adaptors,
      accessories: stored.accessories,
      compounds: stored.compounds,
      frameSheets: sheetsInForce(stored.frameSheets),
      plugSheets: sheetsInForce(stored.seals.plugSheets),
      sleeveSheets: sheetsInForce(stored.seals.sleeveSheets),
      wrapSheets: sheetsInForce(stored.seals.wrapSheets),
    };
    return ok(`${JSON.stringify(file, null, 2)}\n`);
  });
}

/** Sizes of one family in force, or of all, as CSV. */
export function exportSizes(code: string | null): Promise<Result<string>> {
  return guarded<string>(async () => {
    const families = (await loadCatalogue(database())).families.map((f) => f.family);
    const wanted = code === null ? families : families.filter((f) => f.code === code);
    if (code !== null && wanted.length === 0) return refuse('family', 'is not in the catalogue', code);
    return ok(writeCsv(SIZE_COLUMNS, sizeTable(wanted)));
  });
}
