import { catalogueFileSchema, type FrameSheet } from '@/core/catalogue';
import { jobFileSchema } from '@/core/job';
import { CODE_PROFILES } from '@/core/schedule';
import { END_EXAMPLES } from './examples/ends';
import { glandExamples } from './examples/glands';
import { transitExamples } from './examples/transits';
import { jsonSchema } from './json-schema';
import { KIND_NAMES, loadKind } from './plan-kinds';

/** The files under docs/formats and examples/plan with their contents, made from what is really validated. */
export async function publishedFiles(catalogue: unknown): Promise<Record<string, unknown>> {
  const [sheet] = (catalogue as { frameSheets: readonly FrameSheet[] }).frameSheets;
  if (!sheet) throw new Error('the demo catalogue has no transit frames');
  const examples: Record<string, unknown> = {
    ...glandExamples(catalogue),
    ...transitExamples(sheet),
    ...END_EXAMPLES,
  };
  const files: Record<string, unknown> = {
    'docs/formats/catalogue.schema.json': jsonSchema(
      catalogueFileSchema,
      'Amber Collar catalogue file',
      'amber-collar/catalogue@1',
    ),
    'docs/formats/job.schema.json': jsonSchema(jobFileSchema, 'Amber Collar job file', 'amber-collar/job@1'),
  };
  for (const profile of CODE_PROFILES) files[`examples/profile/${profile.key}.json`] = profile;
  for (const name of KIND_NAMES) {
    const { schema } = await loadKind(name);
    files[`docs/formats/plan-${name}.schema.json`] = jsonSchema(
      schema,
      `Request of plan ${name}`,
      `amber-collar/plan-${name}@1`,
    );
    files[`examples/plan/${name}.json`] = examples[name];
  }
  return files;
}
