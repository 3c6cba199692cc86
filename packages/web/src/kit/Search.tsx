import { Input } from 'antd';
import { useEffect, useState } from 'react';
import styles from './Search.module.css';

interface Props {
  readonly label: string;
  readonly placeholder: string;
  /** What stands in it at first. */
  readonly initial?: string;
  /** Called when somebody has stopped typing for a moment. */
  readonly onSearch: (words: string) => void;
}

const PAUSE_MS = 250;

/** A field to look for something by words. */
export function Search({ label, placeholder, initial = '', onSearch }: Props) {
  const [typed, setTyped] = useState(initial);
  useEffect(() => {
    const timer = setTimeout(() => onSearch(typed.trim()), PAUSE_MS);
    return () => clearTimeout(timer);
    // The listener may be a new one at every drawing; only what is typed counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [typed]);
  return (
    <Input.Search
      allowClear
      aria-label={label}
      placeholder={placeholder}
      maxLength={100}
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      className={styles.search!}
    />
  );
}
