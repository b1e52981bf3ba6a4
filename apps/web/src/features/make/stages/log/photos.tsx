import { Box, Flex, Text } from '@chakra-ui/react';
import { PHOTO_LIMITS, PHOTO_TYPES, type MakeView } from '@coiled-strand/contract';
import { Camera, X } from 'lucide-react';
import { useState } from 'react';
import { ApiError } from '../../../../data/api/client';
import { useAddPhoto, useRemovePhoto } from '../../../../data/api/queries';
import { Button } from '../../../../ui/shell/button';
import { toaster } from '../../../../ui/shell/toaster';
import { FileButton } from '../../../../ui/shell/file-button';

interface Props {
  readonly make: MakeView;
  readonly editable: boolean;
}

const MEGABYTES = PHOTO_LIMITS.bytes / 1_000_000;

/** Pictures of a make; a file that is no picture or too large is refused before it is sent. */
export function Photos({ make, editable }: Props) {
  const add = useAddPhoto(make.pieceId);
  const remove = useRemovePhoto(make.pieceId);
  const [fault, setFault] = useState<string | null>(null);
  const takeAway = async (id: string): Promise<void> => {
    const kept = await (await fetch(`/api/photos/${id}`)).blob();
    await remove.mutateAsync(id);
    toaster.create({
      title: 'The photo has been removed.',
      action: { label: 'Bring it back', onClick: () => add.mutate({ id: make.id, file: kept }) },
    });
  };
  if (!editable && make.photos.length === 0) return null;
  const choose = (file: File): void => {
    setFault(null);
    if (!(PHOTO_TYPES as readonly string[]).includes(file.type)) {
      setFault(
        `${file.name} is not a JPEG, PNG or WebP picture. Choose a photo as your camera stores it.`,
      );
      return;
    }
    if (file.size > PHOTO_LIMITS.bytes) {
      setFault(
        `${file.name} is ${(file.size / 1_000_000).toFixed(1)} MB; up to ${MEGABYTES} MB can be kept. Make the picture smaller.`,
      );
      return;
    }
    add.mutate(
      { id: make.id, file },
      {
        onError: (error) =>
          setFault(
            error instanceof ApiError ? `${error.message} ${error.body.remedy}` : error.message,
          ),
      },
    );
  };
  return (
    <Box>
      <Flex gap="3" flexWrap="wrap" align="flex-end">
        {make.photos.map((photo, i) => (
          <Box key={photo.id} position="relative">
            <img
              src={`/api/photos/${photo.id}/thumb`}
              alt={`${make.piece.name}, make ${make.number}, photo ${i + 1}`}
              style={{
                height: 132,
                width: 'auto',
                maxWidth: 220,
                objectFit: 'cover',
                borderRadius: 6,
              }}
            />
            {editable && (
              <Button
                size="icon"
                position="absolute"
                top="1"
                right="1"
                aria-label={`Remove photo ${i + 1}`}
                disabled={remove.isPending}
                onClick={() => void takeAway(photo.id)}
              >
                <X size={17} />
              </Button>
            )}
          </Box>
        ))}
        {editable && make.photos.length < PHOTO_LIMITS.count && (
          <FileButton
            accept={PHOTO_TYPES.join(',')}
            testId="photo-file"
            onFile={choose}
            disabled={add.isPending}
          >
            <Camera size={18} /> {add.isPending ? 'Saving …' : 'Add a photo'}
          </FileButton>
        )}
      </Flex>
      {fault && (
        <Text color="danger" role="alert" mt="2">
          {fault}
        </Text>
      )}
    </Box>
  );
}
