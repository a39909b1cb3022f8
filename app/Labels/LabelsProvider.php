<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Elmstone\Catalogue\ItemSearch;
use Elmstone\Support\RoomProvider;

/** Labels for shelves and items, from any list. */
final class LabelsProvider extends RoomProvider
{
    public function register(): void
    {
        foreach (CatalogueLists::ALL as $name) {
            $this->app->bind("labels.{$name}", static fn ($app): CatalogueLists => new CatalogueLists(
                $name,
                $app->make(ItemSearch::class),
            ));
            $this->app->tag(["labels.{$name}"], 'label-lists');
        }

        $this->app->when(LabelController::class)->needs('$lists')->giveTagged('label-lists');
    }
}
