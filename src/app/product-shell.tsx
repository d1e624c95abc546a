import type { ReactNode } from 'react';
import { TopBar } from '@/ui/shell/TopBar';
import styles from './page.module.css';

/** Top bar and body of what belongs to no job. */
export const ProductShell = ({ children }: { readonly children: ReactNode }) => (
  <div className={styles.shell}>
    <a className={styles.skip} href="#page">
      Skip to the page
    </a>
    <TopBar job={null} />
    <div className={styles.body} id="page" tabIndex={-1}>
      {children}
    </div>
  </div>
);
