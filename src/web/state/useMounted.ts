import { useEffect, useRef } from 'react';

/**
 * Whether its part of the page is still open: who has gone elsewhere while an answer was on its way is not moved by it.
 *
 * `if (mounted()) navigate('/materials')`
 */
export function useMounted(): () => boolean {
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  return () => here.current;
}
