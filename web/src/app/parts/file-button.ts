import { afterNextRender, ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import { NzUploadModule, type NzUploadFile } from 'ng-zorro-antd/upload';

/** A button that asks for a file and hands it on. Nothing is sent from here. */
@Component({
  selector: 'tm-file-button',
  imports: [NzUploadModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-upload [nzShowUploadList]="false" [nzAccept]="accept()" [nzBeforeUpload]="take">
      <span class="ant-btn"><ng-content /></span>
    </nz-upload>
  `,
  styles: `
    :host {
      display: inline-block;
    }
    /* Its words may take two lines on a phone. */
    .ant-btn {
      height: auto;
      min-height: 36px;
      padding-block: 4px;
      white-space: normal;
    }
  `,
})
export class FileButton {
  readonly accept = input('');
  /** Whether a tablet opens its camera. */
  readonly camera = input(false);
  readonly file = output<File>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  constructor() {
    // The library knows of no camera; its field does.
    afterNextRender(() => {
      if (this.camera()) this.field()?.setAttribute('capture', 'environment');
    });
  }

  /** Asks for the file, as a key of the screen does. */
  open(): void {
    this.field()?.click();
  }

  private field(): HTMLInputElement | null {
    return this.host.nativeElement.querySelector('input');
  }

  protected readonly take = (file: NzUploadFile): boolean => {
    this.file.emit(file as unknown as File);
    return false;
  };
}
