/**
 * Parts of the page that are fetched when they are gone to, or once there is time: what opens first is not held up by them. One that
 * cannot be fetched says so in its place.
 */
import { defineAsyncComponent, type Component } from 'vue';
import PartMissing from './common/PartMissing.vue';

type Fetch = () => Promise<{ readonly default: Component }>;
const parts: Fetch[] = [];

/** A component that `fetch` brings. */
export const laterPart = (fetch: Fetch): Component => {
  parts.push(fetch);
  return defineAsyncComponent({ loader: fetch, errorComponent: PartMissing });
};

/** Longest wait for a moment in which nothing else is to be done. */
const PATIENCE = 2000;

/** Fetches all of them when the page has time. */
export const fetchLaterParts = (): void => {
  const fetchAll = (): void => {
    for (const fetch of parts) void fetch().catch(() => undefined);
  };
  // Not every browser tells when it is idle.
  if (typeof requestIdleCallback === 'function') requestIdleCallback(fetchAll, { timeout: PATIENCE });
  else setTimeout(fetchAll, PATIENCE);
};
