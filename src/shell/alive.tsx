'use client';
import { useEffect } from 'react';

/** Says that the page has come to life: taps that waited for it are done now. */
export function Alive() {
  useEffect(() => {
    dispatchEvent(new Event('hush-pail-alive'));
  }, []);
  return null;
}
