'use client';

import { Button } from 'antd';

export default function PageError({ reset }: { readonly reset: () => void }) {
  return (
    <main className="lonely">
      <h1>This page ran into a fault</h1>
      <p>Your projects are stored in the browser and are not touched by it.</p>
      <Button type="primary" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
