<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** Takes what somebody pays by a link, as the counter takes any payment. */
interface PaysByLink
{
    /**
     * @param  Money|null  $amount null: all that is left
     *
     * @throws Refused link_ran_out, link_paid, more_than_asked, less_not_wanted, bad_amount, till_counted
     */
    public function handle(PayLink $link, ?Money $amount): LinkPayment;

    /** What is known by now of a payment that was begun: asked again, posted or ended. */
    public function settle(LinkPayment $payment): LinkPayment;
}
