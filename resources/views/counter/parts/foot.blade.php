<div class="foot">
    @if($complaint->on('post'))<p class="complaint mb-2" role="alert">{{ $complaint->message() }}</p>@endif
    @php($hindrances = $reckoned->hindrances())
    @php($open = $reckoned->needs->open())
    @if(count($open) > 1)
        <details class="small mb-2" @if($complaint->on('approve.')) open @endif>
        <summary class="link-act">{{ count($open) }} things need approval: allow all of them</summary>
            <ul class="mb-1">@foreach($open as $need)<li>{{ $need->words }}</li>@endforeach</ul>
            @include('counter.parts.approve',
                ['action' => route('counter.approve', $slip->key), 'held' => ['place' => ''], 'id' => 'a-all',
                    'quiet' => true])
            @if($complaint->on('approve.'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
            </details>
    @endif
    @if($hindrances !== [] && $hindrances[0]->rule !== 'leaves_not_said'
        && ! in_array($hindrances[0], array_map(fn ($need) => $need->refused, $open), true)
            && $hindrances[0]->rule !== 'empty' && ! $complaint->on('post'))
            <p class="why-not" id="why-not">{{ $hindrances[0]->getMessage() }}</p>@endif
    <p class="complaint" id="not-yet" role="alert"></p>
    <button type="button" class="main-act" id="post" data-post="{{ route('counter.post', $slip->key) }}"
        aria-disabled="{{ $hindrances === [] ? 'false' : 'true' }}">
        <span>{{ $reckoned->postWords() }}{{ $slip->isBackdated() ? ' on '.$slip->day()->format('j M')
            : '' }}</span><kbd>Ctrl ↵</kbd>
    </button>
</div>
