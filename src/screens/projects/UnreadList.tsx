import { Alert, Button } from 'antd';
import { projectsWords } from '@/ui/words/panels/projects';

/** What is stored could not be read: said, and tried again when asked. */
export function UnreadList({ onRetry }: { readonly onRetry: () => void }) {
  return (
    <Alert
      type="error"
      showIcon
      title={projectsWords.unread}
      action={
        <Button size="small" onClick={onRetry}>
          {projectsWords.tryAgain}
        </Button>
      }
    />
  );
}
