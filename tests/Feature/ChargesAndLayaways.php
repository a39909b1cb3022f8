<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

/** Customers who charge and put by: both kinds of helpers, whose common part is the same. */
trait ChargesAndLayaways
{
    use Charges, Layaways {
        Layaways::account insteadof Charges;
        Layaways::customer insteadof Charges;
        Layaways::pay insteadof Charges;
        Layaways::balance insteadof Charges;
        Layaways::open insteadof Charges;
        Layaways::staff insteadof Charges;
    }
}
