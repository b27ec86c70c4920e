// Writes the published JSON Schema of the job record from the schema that the core validates with.
import { writeFileSync } from 'node:fs';
import toJsonSchema from 'joi-to-json';
import { jobSchema } from '../src/core/document/schema';

const schema = toJsonSchema(jobSchema, 'json') as object;
const out = { $schema: 'http://json-schema.org/draft-07/schema#', title: 'Cobble job record, version 1', ...schema };
writeFileSync('docs/job.schema.json', JSON.stringify(out, null, 1) + '\n');
