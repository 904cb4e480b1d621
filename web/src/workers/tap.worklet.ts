/** Takes what the input hears, mixed down to one channel, and hands it on in blocks through a port of its own. */

const BLOCK = 1024;

class Tap extends AudioWorkletProcessor {
  private out: MessagePort | null = null;
  private block = new Float32Array(BLOCK);
  private filled = 0;

  constructor() {
    super();
    this.port.onmessage = (event: MessageEvent<MessagePort>) => {
      this.out = event.data;
    };
  }

  process(inputs: Float32Array[][]): boolean {
    const channels = inputs[0];
    const length = channels?.[0]?.length ?? 0;
    if (!channels || length === 0) return true;
    for (let n = 0; n < length; n++) {
      let sum = 0;
      for (const channel of channels) sum += channel[n] as number;
      this.block[this.filled++] = sum / channels.length;
      if (this.filled === BLOCK) this.send();
    }
    return true;
  }

  private send(): void {
    this.out?.postMessage(this.block, [this.block.buffer]);
    this.block = new Float32Array(BLOCK);
    this.filled = 0;
  }
}

registerProcessor('tap', Tap);
