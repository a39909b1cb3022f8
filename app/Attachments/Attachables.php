<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

/** All that something can be kept with. */
final readonly class Attachables
{
    /** @param  iterable<Attachable>  $all */
    public function __construct(private iterable $all)
    {
    }

    /** The page of a thing; who names none gets none. */
    public function page(string $of, int $id): string
    {
        foreach ($this->all as $one) {
            if ($one->of() === $of) {
                return $one->page($id) ?? abort(404);
            }
        }

        abort(404);
    }
}
