import { useQueryClient } from '@tanstack/react-query';
import { Link, NavLink, useNavigate } from 'react-router';
import { http } from '../api/http';
import type { Me } from '@zetalysis/contract';
import { useTheme } from '../theme/use-theme';

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
    <>
      <header className="shell">
        <Link to="/" className="brand" aria-label="Zetalysis, today">
          <img src="/icon.svg" alt="" width="24" height="24" /> <span className="brand-name">Zetalysis</span>
        </Link>
        <nav aria-label="Places">
          <NavLink to="/" end>
            Today
          </NavLink>
          <NavLink to="/machines">Machines</NavLink>
          <NavLink to="/library">Library</NavLink>
        </nav>
        <span className="shell-end">
          <button type="button" className="quiet" onClick={toggle}>
            {theme === 'light' ? 'Cellar' : 'Daylight'}
          </button>
          <span className="who">{me.fullName}</span>
          <button type="button" className="quiet" onClick={() => void signOut()}>
            Sign out
          </button>
        </span>
      </header>
      {children}
    </>
  );
}
