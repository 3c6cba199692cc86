import { NavLink } from 'react-router';
import bar from '../kit/Bar.module.css';
import styles from './PlacesBar.module.css';
import { PLACES } from './places';

/** On a phone: where one can go, at the thumb. */
export const PlacesBar = () => (
  <nav className={`${bar.bar} ${styles.places}`} aria-label="Places at the thumb">
    {PLACES.map(({ to, title, sign }) => (
      <NavLink key={to} to={to} end={to === '/'}>
        <svg viewBox="0 0 24 24" aria-hidden="true">
          <path d={sign} />
        </svg>
        {title}
      </NavLink>
    ))}
  </nav>
);
