import type { DragRef, DropListRef } from '@angular/cdk/drag-drop';
import { createDragRef, createDropListRef } from '@angular/cdk/drag-drop';
import type { Injector, TemplateRef, ViewContainerRef } from '@angular/core';

/** Where the rows of a sheet are, and what is drawn of one while it is dragged. */
export interface DragParts<R> {
  readonly body: HTMLElement;
  readonly preview: TemplateRef<{ readonly $implicit: R }>;
  readonly views: ViewContainerRef;
  /** The row of an element of the body. */
  readonly rowOf: (element: HTMLElement) => R | undefined;
  /** A row was let go over the place of another that is drawn. */
  readonly dropped: (row: R, over: R) => void;
}

/** Rows that can be dragged, for as long as they stand where they do. */
export class DraggedRows<R> {
  private readonly items: readonly DragRef<R>[];
  private readonly list: DropListRef<R>;

  constructor(injector: Injector, parts: DragParts<R>) {
    this.items = [...parts.body.querySelectorAll<HTMLElement>('tr')].flatMap((element) => {
      const [row, grip] = [parts.rowOf(element), element.querySelector<HTMLElement>('.grip')];
      if (row === undefined || grip === null) return [];
      const item = createDragRef<R>(injector, element);
      item.data = row;
      item.lockAxis = 'y';
      item.withHandles([grip]);
      const { preview: template, views: viewContainer } = parts;
      item.withPreviewTemplate({ template, viewContainer, context: { $implicit: row } });
      return [item];
    });
    this.list = createDropListRef<R>(injector, parts.body);
    this.list.withItems([...this.items]);
    this.list.dropped.subscribe(({ previousIndex, currentIndex }) => {
      const [dragged, over] = [this.items[previousIndex], this.items[currentIndex]];
      if (dragged !== undefined && over !== undefined) parts.dropped(dragged.data, over.data);
    });
  }

  get isDragging(): boolean {
    return this.list.isDragging();
  }

  dispose(): void {
    this.list.dispose();
    for (const item of this.items) item.dispose();
  }
}
