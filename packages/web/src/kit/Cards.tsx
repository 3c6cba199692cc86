import type { ReactNode } from 'react';
import styles from './Cards.module.css';

/** Things side by side, as many as fit: a list of which each child is an item. */
export const Cards = ({ children }: { readonly children: ReactNode }) => <ul className={styles.cards}>{children}</ul>;
