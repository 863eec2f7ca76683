import { BrowserQRCodeReader } from '@zxing/browser';

/** Reads codes from the camera that looks away from whoever holds the phone. @returns ends it @throws where there is no camera, or none may be used */
export async function readCodes(
  picture: HTMLVideoElement | undefined,
  onRead: (text: string) => void,
): Promise<() => void> {
  const controls = await new BrowserQRCodeReader().decodeFromConstraints(
    { video: { facingMode: 'environment' } },
    picture,
    (result) => result && onRead(result.getText()),
  );
  return () => controls.stop();
}
