<?php

declare(strict_types=1);

namespace Elmstone\Paper;

/** What somebody can be asked to pay by a link. Its value is how the link says it. */
enum Payable: string
{
    /** What is due on a house account; by customer. */
    case Account = 'a';
    /** What is open of an invoice; by document. */
    case Invoice = 'i';
    /** What is open of one part of a payment plan; by the part's document. */
    case PlanPart = 'p';
    /** What is still to be paid of an order; by order. */
    case Order = 'o';
}
