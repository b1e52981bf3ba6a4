import { Box, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { MadePhotoView } from '@coiled-strand/contract';
import { format } from 'date-fns';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { usePhotos } from '../../../../data/api/lists';
import { useAsked } from '../../../../ui/frame/use-asked';
import { More } from '../../../../ui/shell/more';
import { Fault, Loading } from '../../../../ui/shell/states';
import { Tiles } from '../../../../ui/shell/tiles';
import { useRested } from '../../../../ui/shell/use-rested';
import { whereIs } from './where-is';

/** The pictures of all makes, the newest first. */
export function Pictures() {
  const { asked } = useAsked();
  const q = useRested(asked('q'));
  const photos = usePhotos({ q });
  const { items, total, error } = photos;
  if (error) return <Fault error={error} onRetry={photos.retry} />;
  if (total === undefined) return <Loading what="Fetching the pictures" />;
  return (
    <>
      <Text color="muted" role="status" mb="4">
        {total > 0
          ? `${total} ${total === 1 ? 'picture' : 'pictures'}`
          : q !== ''
            ? 'No picture is of what you look for. Try fewer words.'
            : 'There are no pictures yet. Add some where a make is logged.'}
      </Text>
      <Tiles least={220}>
        {items.map((photo) => (
          <Box as="li" key={photo.id} data-testid="picture">
            <Picture photo={photo} />
          </Box>
        ))}
      </Tiles>
      <More list={photos} what={['picture', 'pictures']} />
    </>
  );
}

function Picture({ photo: { id, at, make } }: { readonly photo: MadePhotoView }) {
  const name = `${make.name}, make ${make.number}`;
  const inside: ReactNode = (
    <>
      <img
        src={`/api/photos/${id}/thumb`}
        alt={name}
        loading="lazy"
        style={{ width: '100%', aspectRatio: '4 / 3', objectFit: 'cover', borderRadius: 10 }}
      />
      <Text mt="2" fontWeight="600">
        {name}
      </Text>
      <Text color="muted">{format(new Date(at), 'd MMMM yyyy')}</Text>
    </>
  );
  // Of a piece that was put away there is no page until it is brought back.
  if (make.putAway) return inside;
  return (
    <ChakraLink asChild color="ink" textDecoration="none" display="block">
      <Link to={whereIs(make)}>{inside}</Link>
    </ChakraLink>
  );
}
