import { ApiProblem } from './api';

/**
 * What a chosen JSON file holds.
 * @throws ApiProblem when it is no JSON, so that it is told like any other refusal
 */
export async function readJsonFile(file: File): Promise<unknown> {
  try {
    return JSON.parse(await file.text()) as unknown;
  } catch (error) {
    const why = error instanceof Error ? error.message : '';
    throw new ApiProblem({
      type: 'about:blank',
      status: 422,
      code: 'not-json',
      title: 'The file is not JSON.',
      detail: `${file.name} was not read. ${why}`,
    });
  }
}
