/** A page of a list, as its query asks for it. */
interface Asked {
  readonly page?: string | undefined;
  readonly size?: string | undefined;
  readonly search?: string | undefined;
  readonly order?: 'up' | 'down' | undefined;
}

const USUAL_SIZE = 25;

/** Which rows a page has. */
export function pageOf({ page = '1', size = String(USUAL_SIZE), search = '', order }: Asked, usual: 'up' | 'down') {
  const limit = Number(size);
  return { search, limit, offset: (Number(page) - 1) * limit, down: (order ?? usual) === 'down' };
}
