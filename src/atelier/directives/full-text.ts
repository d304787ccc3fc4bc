/**
 * Words that do not fit their place end in dots; whoever points at them reads them whole. One listener for the page: whatever has the class
 * `cut` is told so, wherever it stands.
 */
const showWhole = (event: Event): void => {
  const element = (event.target as Element | null)?.closest?.<HTMLElement>('.cut');
  if (!element) return;
  const whole = element.textContent?.trim() ?? '';
  // What says more than its own words keeps its title.
  if (element.title && element.dataset['whole'] === undefined) return;
  if (element.scrollWidth > element.clientWidth) {
    element.title = whole;
    element.dataset['whole'] = '';
  } else if (element.dataset['whole'] !== undefined) {
    element.removeAttribute('title');
    delete element.dataset['whole'];
  }
};

export const showCutWords = (page: Document): void =>
  page.addEventListener('mouseover', showWhole, { passive: true });
