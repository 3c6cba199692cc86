import { useState } from 'react';
import { Link } from 'react-router';
import { COMPONENT_TESTS, WORKSHEETS } from '@zetalysis/core/bench';
import { Block } from '../../kit/Block';
import { Empty } from '../../kit/Empty';
import { Page } from '../../kit/Page';
import { Search } from '../../kit/Search';
import styles from './Bench.module.css';

/** What can be measured and judged, and what can be worked out; each has its own address. */
export default function Bench() {
  const [words, setWords] = useState('');
  const sought = words.toLowerCase().split(/\s+/).filter(Boolean);
  const has = (about: string): boolean => sought.every((w) => about.toLowerCase().includes(w));
  const tests = COMPONENT_TESTS.filter((t) =>
    has([t.title, t.question, ...t.measures.map((m) => `${m.title} ${m.about}`)].join(' ')),
  );
  const sheets = WORKSHEETS.filter((w) => has(`${w.title} ${w.formula} ${w.trap}`));
  return (
    <Page
      title="Bench"
      tools={
        <div className={styles.find}>
          <Search label="Search tests and calculators" placeholder="coil, draft, orifice …" onSearch={setWords} />
        </div>
      }
      actions={<Link to="/bench/instruments">Instruments of the shop</Link>}
      className={styles.bench}
    >
      <Block title="Component tests" note={`${tests.length} of ${COMPONENT_TESTS.length}`}>
        {tests.length === 0 && <Empty>No test is called that.</Empty>}
        <ol className={styles.list}>
          {tests.map((t) => (
            <li key={t.id}>
              <Link to={`/bench/tests/${t.id}`}>
                <span className={styles.number}>{t.number}</span>
                <span>
                  <b>{t.title}</b>
                  <small>{t.question}</small>
                </span>
              </Link>
            </li>
          ))}
        </ol>
      </Block>
      <Block title="Calculators" note={`${sheets.length} of ${WORKSHEETS.length}`}>
        {sheets.length === 0 && <Empty>No calculator is called that.</Empty>}
        <ol className={styles.list}>
          {sheets.map((w) => (
            <li key={w.id}>
              <Link to={`/bench/calculators/${w.id}`}>
                <span className={styles.number}>{w.number}</span>
                <span>
                  <b>{w.title}</b>
                </span>
              </Link>
            </li>
          ))}
        </ol>
      </Block>
    </Page>
  );
}
