/**
 * The content policy lets only sheets of styles pass that carry the page's nonce. Ant Design gives it to its own; what its parts
 * make to measure a scroll bar gets it here.
 */
export function nonceForStyles(nonce: string): void {
  const create = document.createElement.bind(document);
  document.createElement = ((tag: string, options?: ElementCreationOptions) => {
    const element = create(tag, options);
    if (tag === 'style') element.nonce = nonce;
    return element;
  }) as typeof document.createElement;
}
