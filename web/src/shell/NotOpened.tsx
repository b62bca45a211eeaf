// A page whose lesson does not open says why, and what can be done.
import { Alert, Button } from 'antd';
import { Link } from 'react-router';
import { useLesson } from '../state/lesson';

export function NotOpened({ again }: { again?: () => void }) {
  const failure = useLesson((s) => s.failure);
  return (
    <main className="centre">
      <Alert
        type="warning"
        showIcon
        title="This lesson does not open"
        description={failure}
        action={
          again && (
            <Button type="primary" onClick={again}>
              Try again
            </Button>
          )
        }
      />
      <p>
        <Link to="/">To the shelf</Link>
      </p>
    </main>
  );
}
