import { Dialog } from '../../kit/Dialog';
import styles from './PeoplePage.module.css';

interface Props {
  readonly told: { readonly name: string; readonly password: string };
  readonly onClose: () => void;
}

/** A password that is told once. */
export const FirstPassword = ({ told: { name, password }, onClose }: Props) => (
  <Dialog title={`Password for ${name}`} close="I have told it" onClose={onClose}>
    <p>It is shown this once. {name} chooses one of their own at the next sign-in; until then it opens nothing else.</p>
    <code className={styles.told}>{password}</code>
  </Dialog>
);
