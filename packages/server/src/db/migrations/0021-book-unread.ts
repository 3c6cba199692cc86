import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

/**
 * Up to which entry a closed call was read into the book stands with its overview, so that what is still to be read is counted from an
 * index alone. Of a call after which somebody came back it is kept why. Every call is read anew: minutes of dead tests, connectors and actions are learned as well.
 */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'ALTER TABLE overviews ADD COLUMN IF NOT EXISTS readTo INT UNSIGNED NOT NULL DEFAULT 0',
    'ALTER TABLE overviews ADD COLUMN IF NOT EXISTS unread TINYINT(1) AS (open = 0 AND upTo > readTo) VIRTUAL',
    'ALTER TABLE overviews ADD INDEX IF NOT EXISTS overviews_unread (unread, callId)',
    'ALTER TABLE case_facts DROP INDEX IF EXISTS case_facts_read, ADD COLUMN IF NOT EXISTS backFor VARCHAR(10) NULL, ADD INDEX IF NOT EXISTS case_facts_back (backFor)',
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'ALTER TABLE case_facts DROP INDEX IF EXISTS case_facts_back, DROP COLUMN IF EXISTS backFor, ADD INDEX IF NOT EXISTS case_facts_read (callId, upTo)',
    'ALTER TABLE overviews DROP INDEX IF EXISTS overviews_unread, DROP COLUMN IF EXISTS unread',
    'ALTER TABLE overviews DROP COLUMN IF EXISTS readTo',
  );
