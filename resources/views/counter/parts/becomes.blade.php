{{-- What becomes of the slip: shown only where there is a choice. Layaway is one key and Enter, Sale another. --}}
@php($draft = $reckoned->layaway())
@if($shut->mayBecomeAnother())
<div class="becomes" role="group" aria-label="What becomes of it">
    <button type="button" id="becomes-sale" data-way="E" aria-pressed="{{ $draft === null ? 'true' : 'false' }}"
        data-sends="{{ route('counter.hold.drop', $slip->key) }}"><kbd>E</kbd> Sale</button>
    @if($draft === null)<button type="button" id="hold" data-way="L" aria-pressed="false" data-field="rest" value="1"
        data-sends="{{ route('counter.hold', $slip->key) }}"><kbd>L</kbd> Layaway</button>
    @else<span class="chosen"><kbd>L</kbd> Layaway</span>@endif
</div>
@if($draft !== null)
<ul class="ways">
    <x-way :$complaint letter="" id="hold" data-way="L" label="Deposit now" rest
        :refused="$reckoned->needs->open('hold') !== []" :save="route('counter.hold', $slip->key)"
            :value="$draft->deposit()->toString()">
        <p class="under mb-0">at least {{ $draft->standing()->minDeposit }} of {{ $draft->total() }}</p>
        @include('counter.parts.needs', ['place' => 'hold', 'quiet' => false])
    </x-way>
</ul>
@endif
@endif
@if($complaint->on('hold') && $draft === null)<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
