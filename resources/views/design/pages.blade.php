@if($paginator->hasPages())
    <nav class="pages" aria-label="Pages">
        @if($paginator->onFirstPage())
            <span class="quiet-act soft" aria-disabled="true">Back</span>
        @else
            <a class="quiet-act" href="{{ $paginator->previousPageUrl() }}" rel="prev">Back</a>
        @endif
        <span class="soft">Page {{ $paginator->currentPage() }}</span>
        @if($paginator->hasMorePages())
            <a class="quiet-act" href="{{ $paginator->nextPageUrl() }}" rel="next">Next</a>
        @endif
    </nav>
@endif
