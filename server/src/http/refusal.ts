/** A refusal on its way to the client: status, stable code, sentences. */
export class ApiFailure extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly problems?: readonly string[],
  ) {
    super(message);
  }
}

export const notFound = (what: string): ApiFailure =>
  new ApiFailure(
    404,
    'not-found',
    `There is no such ${what} here. It may have been removed; go back to the first screen.`,
  );

export const mayOnlyTick = (): ApiFailure =>
  new ApiFailure(
    403,
    'may-only-tick',
    'This tablet may only tick off steps. Ask in the control room to let it edit, or make the change there.',
  );
