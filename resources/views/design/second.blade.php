{{-- The pages under the word of the top row that one is at, where it has more than one. --}}
@foreach($menu as $word)
@if($word->isHere() && count($word->pages) > 1)
<nav class="sub" aria-label="{{ $word->name }}">
    @foreach($word->pages as $page)<a href="{{ route($page->route) }}" @if($page->isHere) aria-current="page"
        @endif>{{ $page->label }}@if(($waits[$page->route] ?? 0) > 0) <span
        class="ochre fw-bold">{{ $waits[$page->route] }}</span>@endif</a>
    @endforeach
</nav>
@endif
@endforeach
