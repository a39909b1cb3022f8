{{-- How far a work is. $work: it; $words: what is done; the page it stands on is asked again until it is done. --}}
<div id="work" x-data="workProgress" data-looks="{{ url()->current() }}" aria-live="polite">
    <div class="progress-line" role="progressbar" aria-label="{{ $words }}" aria-valuemin="0" aria-valuemax="100"
        aria-valuenow="{{ $work->percent() }}">
        <svg width="100%" height="18" preserveAspectRatio="none" viewBox="0 0 100 1" aria-hidden="true">
            <rect width="100" height="1" fill="#e0dace"/><rect width="{{ $work->percent() }}" height="1"
                fill="#1e6a6c"/></svg></div>
    <p class="mt-2"><strong>{{ $words }}</strong>
        @if($work->state === 'waiting' && $work->made_at->diffInSeconds(now()) > 15)
            <span class="ochre">No worker has taken it up yet. It is kept, and begins when one runs; the owner sees
                them on House, How it runs.</span>
        @elseif($work->state === 'waiting')
            <span class="soft">It begins in a moment.</span>
        @elseif($work->of > 0)
            <span class="soft">{{ $work->percent() }} %. You may leave this page; it goes on.</span>
        @endif</p>
</div>
