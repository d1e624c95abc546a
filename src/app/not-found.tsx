import Link from 'next/link';
import styles from './page.module.css';

export default function NotFound() {
  return (
    <main className={styles.notice}>
      <h1>There is no such page.</h1>
      <p>
        <Link href="/">To the board</Link>
      </p>
    </main>
  );
}
