'use client';
import { Menu } from '@mantine/core';
import { ShopLink as Link } from '@/shell/shop-link';
import { askForCamera } from './camera/ask-for-camera';
import { AllButton } from './band-buttons';
import { PLACES, type PlaceKey, type PlaceNote } from './places';

/** Every place, for where the band has room for three of them; it is loaded as it is first opened. */
export function AllPlaces({
  notes,
  onQuickLine,
}: {
  notes: Readonly<Record<PlaceKey, PlaceNote>>;
  onQuickLine: () => void;
}) {
  return (
    <Menu position="bottom-start" defaultOpened>
      <Menu.Target>
        <AllButton />
      </Menu.Target>
      <Menu.Dropdown>
        {PLACES.map((place) => (
          <Menu.Item
            key={place.key}
            component={Link}
            href={place.path}
            rightSection={
              <span className={notes[place.key].late ? 'late' : 'soft'}>{notes[place.key].words}</span>
            }
          >
            {place.name}
          </Menu.Item>
        ))}
        <Menu.Item onClick={onQuickLine}>Find or do …</Menu.Item>
        <Menu.Item onClick={askForCamera}>Scan a label …</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
