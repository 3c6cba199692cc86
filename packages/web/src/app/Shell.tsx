import { useQueryClient } from '@tanstack/react-query';
import { Link, NavLink, useNavigate } from 'react-router';
import { http } from '../api/http';
import type { Me } from '@zetalysis/contract';
import { useTheme } from '../theme/use-theme';
import styles from './Shell.module.css';

/** The frame around every place. */
export function Shell({ me, children }: { me: Me; children: React.ReactNode }) {
  const [theme, toggle] = useTheme();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const signOut = async () => {
    await http('DELETE /session').catch(() => undefined);
    localStorage.removeItem('zetalysis.me');
    queries.clear();
    await navigate('/sign-in');
  };
  return (
    <div className={styles.frame}>
      <header className={styles.shell}>
        <Link to="/" className={styles.brand} aria-label="Zetalysis, today">
          <img src="/icon.svg" alt="" width="24" height="24" /> <span className={styles.name}>Zetalysis</span>
        </Link>
        <nav aria-label="Places">
          <NavLink to="/" end>
            Today
          </NavLink>
          <NavLink to="/machines">Machines</NavLink>
          <NavLink to="/library">Library</NavLink>
        </nav>
        <span className={styles.end}>
          <button type="button" onClick={toggle}>
            {theme === 'light' ? 'Cellar' : 'Daylight'}
          </button>
          <span className={styles.who}>{me.fullName}</span>
          <button type="button" onClick={() => void signOut()}>
            Sign out
          </button>
        </span>
      </header>
      {children}
    </div>
  );
}
