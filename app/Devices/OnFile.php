<?php

declare(strict_types=1);

namespace Elmstone\Devices;

/** A card the terminal keeps, to be asked; where it is not there, with what its holder says of their address. */
final readonly class OnFile
{
    /**
     * @param  string  $token the terminal’s word for the card
     * @param  bool  $absent whether the card is not there, as by telephone
     * @param  string  $postcode as it was said; empty: not said
     * @param  string  $number of the house in its street, as it was said; empty: not said
     */
    public function __construct(
        public string $token,
        public bool $absent = false,
        public string $postcode = '',
        public string $number = '',
    ) {
    }
}
