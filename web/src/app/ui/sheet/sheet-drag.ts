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
  /** A row was let go so many rows further down, or up. */
  readonly dropped: (row: R, by: number) => void;
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
    this.list.dropped.subscribe(({ item, previousIndex, currentIndex }) => {
      // Both are counted as the rows stand on the screen, which may be another order than they came in.
      const dragged = this.items.find((each) => each === item);
      if (dragged !== undefined) parts.dropped(dragged.data, currentIndex - previousIndex);
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
