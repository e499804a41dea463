import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzUploadModule, type NzUploadFile } from 'ng-zorro-antd/upload';

/** Takes a file: dropped here, or chosen with a press. Nothing is sent from here. */
@Component({
  selector: 'tm-file-drop',
  imports: [NzUploadModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-upload nzType="drag" [nzShowUploadList]="false" [nzAccept]="accept()" [nzBeforeUpload]="take">
      <p>
        <strong>{{ chosen() || label() }}</strong>
      </p>
      <p class="soft">{{ chosen() ? 'Press or drop to take another.' : 'Drop it here, or press to choose it.' }}</p>
    </nz-upload>
  `,
  styles: `
    p {
      padding: 0 12px;
    }
  `,
})
export class FileDrop {
  readonly label = input.required<string>();
  readonly accept = input('');
  /** What was chosen, as it is told. */
  readonly chosen = input('');
  readonly file = output<File>();
  protected readonly take = (file: NzUploadFile): boolean => {
    this.file.emit(file as unknown as File);
    return false;
  };
}
