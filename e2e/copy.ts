/** Databases that others are copied from: one with the demo, one with nothing. */
import postgres from 'postgres';

export const MODELS = { demo: 'model_demo', empty: 'model_empty' } as const;

/** A database made from another that nobody is in; its address. */
export async function copyOf(url: string, model: string, name: string): Promise<string> {
  const owner = postgres(url.replace(/\/[^/]*$/, '/postgres'), { max: 1, onnotice: () => {} });
  await owner.unsafe(`drop database if exists ${name}`);
  await owner.unsafe(`create database ${name} template ${model}`);
  await owner.end();
  return url.replace(/\/[^/]*$/, `/${name}`);
}
