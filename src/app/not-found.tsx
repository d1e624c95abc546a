import { Link } from '@/ui/kit-of-parts/Link';
import { TopBar } from '@/ui/shell/TopBar';
import styles from './page.module.css';

export default function NotFound() {
  return (
    <div className={styles.shell}>
      <TopBar job={null} />
      <main className={styles.notice}>
        <h1>There is no such page.</h1>
        <p>The address is not one of ours, or what it names is gone.</p>
        <p>
          <Link href="/">To the jobs</Link>
        </p>
      </main>
    </div>
  );
}
