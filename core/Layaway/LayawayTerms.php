<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

/** What a layaway is made under. */
final readonly class LayawayTerms
{
    /**
     * @param  Portion  $minDeposit of the total
     * @param  Portion  $minPayment of what remains
     * @param  Portion  $cancellationFee of the total
     */
    public function __construct(public Portion $minDeposit, public Portion $minPayment, public Portion $cancellationFee)
    {
    }
}
