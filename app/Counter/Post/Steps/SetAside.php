<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Post\NothingPromised;
use Elmstone\Counter\Post\SaleDraft;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Layaways\HoldLayaway;

/** The goods on a slip that is held are set aside for it. */
final readonly class SetAside extends Step
{
    public function __construct(private HoldLayaway $hold, private NothingPromised $promised)
    {
    }

    public function post(SlipPosting $posting): void
    {
        if ($posting->slip()->becomes !== Becomes::Layaway) {
            return;
        }

        $order = $posting->reckoned->layaway()?->order()
            ?? throw Refused::because('not_held', 'This slip is not to be held as a layaway.');
        $posting->made = $this->hold->handle($order);
        $this->promised->assert(
            $posting->reckoned,
            array_map(
                static fn (StockMove $move): StockMove => StockMove::aside(
                    $move->itemId,
                    $move->locationId,
                    $move->quantity->negated(),
                ),
                (new SaleDraft($posting->reckoned))->moves(),
            ),
        );
    }
}
