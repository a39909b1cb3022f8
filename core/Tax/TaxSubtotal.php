<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

use Elmstone\Core\Money\Money;

/** What one component comes to, and on what base (EN 16931: BT-116 and BT-117). */
final readonly class TaxSubtotal
{
    public function __construct(public TaxComponent $component, public Money $base, public Money $amount)
    {
    }

    public static function difference(self $out, self $back): self
    {
        return new self($out->component, $out->base->minus($back->base), $out->amount->minus($back->amount));
    }
}
