<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Closure;
use LogicException;

/**
 * One posting, said before it is done: under which key, what it locks, how to tell that it was done before, and what
 * it decides and writes. Books::post does it.
 *
 * @template TLocked
 * @template TAnswer
 */
final readonly class Posting
{
    /**
     * @param  (Closure(): TLocked)|null  $lock
     * @param  (Closure(TLocked): (TAnswer|null))|null  $before
     * @param  (Closure(TLocked): TAnswer)|null  $write
     */
    private function __construct(
        public string $key,
        private ?Closure $lock = null,
        private ?Closure $before = null,
        private ?Closure $write = null,
    ) {
    }

    /**
     * @param  string  $key one key, one answer
     * @return self<mixed, int>
     */
    public static function under(string $key): self
    {
        $key === '' && throw new LogicException('A posting has a key.');

        return new self($key);
    }

    /**
     * Everything that is locked, in the order of the ladder.
     *
     * @template T
     *
     * @param  Closure(): T  $lock
     * @return self<T, int>
     */
    public function locking(Closure $lock): self
    {
        return new self($this->key, $lock);
    }

    /**
     * How to tell that it was done before, where that is not just a document under its key. Under the locks.
     *
     * @template T
     *
     * @param  Closure(TLocked): (T|null)  $before what it is answered with; null: it is still to do
     * @return self<TLocked, T>
     */
    public function unless(Closure $before): self
    {
        return new self($this->key, $this->lock, $before);
    }

    /**
     * What it decides, and then writes: documents by Books::document, and what hangs on them by the ledgers.
     *
     * @param  Closure(TLocked): TAnswer  $write
     * @return self<TLocked, TAnswer>
     */
    public function writing(Closure $write): self
    {
        return new self($this->key, $this->lock, $this->before, $write);
    }

    /** @return TLocked */
    public function lock(): mixed
    {
        return ($this->lock ?? throw new LogicException("Posting {$this->key} locks nothing."))();
    }

    /**
     * @param  TLocked  $locked
     * @param  Closure(string): (int|null)  $underKey the document under a key
     * @return TAnswer|int|null
     */
    public function before(mixed $locked, Closure $underKey): mixed
    {
        return $this->before === null ? $underKey($this->key) : ($this->before)($locked);
    }

    /**
     * @param  TLocked  $locked
     * @return TAnswer
     */
    public function write(mixed $locked): mixed
    {
        return ($this->write ?? throw new LogicException("Posting {$this->key} writes nothing."))($locked);
    }
}
