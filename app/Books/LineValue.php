<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\SlipLine;

/**
 * A row with the columns of a line, wherever it stands, as the value that is reckoned with: quantity, price for so
 * many, discount.
 */
trait LineValue
{
    protected function line(string $id, Direction $direction): SlipLine
    {
        return SlipLine::of(
            $id,
            $direction,
            $this->quantity,
            $this->unit_price,
            $this->price_per,
            $this->tax_class,
            Reduction::stored($this->discount_percent, $this->discount_amount),
            $this->may_discount,
        );
    }
}
