document.title = 'Book a tool'
