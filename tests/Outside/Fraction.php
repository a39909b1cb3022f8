<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use phpseclib3\Math\BigInteger;

/** An exact fraction on phpseclib's big integers, which share no code with what the core uses. */
final readonly class Fraction
{
    private function __construct(private BigInteger $over, private BigInteger $under)
    {
    }

    public static function of(int $over, int $under = 1): self
    {
        BigInteger::setEngine('PHP64');

        return new self(new BigInteger($over), new BigInteger($under));
    }

    /** Reads "12.3456". */
    public static function read(string $decimal): self
    {
        [$whole, $places] = explode('.', $decimal.'.');

        return new self(new BigInteger($whole.$places), (new BigInteger(10))->pow(new BigInteger(strlen($places))));
    }

    public function plus(self $that): self
    {
        return new self(
            $this->over->multiply($that->under)->add($that->over->multiply($this->under)),
            $this->under->multiply($that->under),
        );
    }

    public function times(self $that): self
    {
        return new self($this->over->multiply($that->over), $this->under->multiply($that->under));
    }

    public function by(self $that): self
    {
        return new self($this->over->multiply($that->under), $this->under->multiply($that->over));
    }

    /** To a whole number, half away from zero: floor((2 × |over| + under) ÷ (2 × under)), sign put back. */
    public function rounded(): string
    {
        $two = new BigInteger(2);
        [$quotient] = $this->over->abs()->multiply($two)->add($this->under)->divide($this->under->multiply($two));
        $digits = $quotient->toString();

        return $this->over->isNegative() && $digits !== '0' ? "-{$digits}" : $digits;
    }
}
