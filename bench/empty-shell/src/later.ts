import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { signalStore, withState } from '@ngrx/signals';
import { withEntities } from '@ngrx/signals/entities';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzDatePickerModule } from 'ng-zorro-antd/date-picker';
import { NzDrawerService } from 'ng-zorro-antd/drawer';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NzTableModule } from 'ng-zorro-antd/table';
import { NzUploadModule } from 'ng-zorro-antd/upload';

const Empty = signalStore(withState({ day: new Date(0), one: 'a', is: false }), withEntities<{ id: string }>());

/** A later page with the parts of the libraries the application's later pages have: what they share comes with the first. */
@Component({
  selector: 'tm-later',
  imports: [
    ...[FormsModule, ScrollingModule, NzCheckboxModule, NzDatePickerModule, NzRadioModule, NzSelectModule],
    ...[NzTableModule, NzUploadModule],
  ],
  providers: [Empty],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label nz-checkbox [ngModel]="store.is()"></label>
    <nz-date-picker [ngModel]="store.day()" />
    <nz-radio-group [ngModel]="store.one()"><label nz-radio-button nzValue="a">a</label></nz-radio-group>
    <nz-select [ngModel]="store.one()" [nzOptions]="[{ label: 'a', value: 'a' }]" />
    <nz-upload nzType="drag" />
    <nz-table nzTemplateMode>
      <tbody>
        <tr>
          <td>empty</td>
        </tr>
      </tbody>
    </nz-table>
    <cdk-virtual-scroll-viewport [itemSize]="44">
      <p *cdkVirtualFor="let entity of store.entities()">{{ entity.id }}</p>
    </cdk-virtual-scroll-viewport>
    <button type="button" (click)="open()">empty</button>
  `,
})
export class Later {
  protected readonly store = inject(Empty);
  private readonly drawers = inject(NzDrawerService);
  protected open(): void {
    this.drawers.create({ nzTitle: 'empty' });
  }
}
